package choir.drift;

import static org.assertj.core.api.Assertions.assertThat;

import choir.drift.Mark.Kind;
import choir.policy.Catalogue;
import java.util.List;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class MarkTest {
    private static Deviation deviation(Cause cause, Cost cost) {
        return new Deviation(
                Catalogue.SENSITIVITY,
                cause,
                Optional.empty(),
                Optional.empty(),
                Optional.empty(),
                cost,
                Severity.LOW,
                Optional.of("A sentence."));
    }

    @ParameterizedTest
    @CsvSource({
        "IN_TUNE, IN_TUNE",
        "UNKNOWN, UNKNOWN",
        "CANNOT_HONOUR, CANNOT",
        "NEVER_TUNED, WAITING",
        "NEVER_GIVEN_OUT, WAITING",
        "WAITING, WAITING",
        "CHANGED_AT_RECORDER, LOSS",
        "CHANGED_ON_BOTH_SIDES, LOSS",
        "DID_NOT_TAKE, LOSS"
    })
    void whatWaitsIsARingAndOnlyWhatWentAstrayStandsAside(Cause cause, Kind kind) {
        assertThat(Mark.of(deviation(cause, new Cost(3, 0, "steps", 0))).kind()).isEqualTo(kind);
    }

    @ParameterizedTest
    @CsvSource({
        "1, 0, steps, LOSS, 1",
        "2, 0, steps, LOSS, 2",
        "10, 0, steps, LOSS, 3",
        "0, 59, minutes a week, WASTE, 1",
        "0, 60, minutes a week, WASTE, 2",
        "0, 1440, minutes a week, WASTE, 3",
        "9, 10, cells, BOTH, 2",
        "0, 5000, pixels, WASTE, 3",
        "0, 0, '', BOTH, 1"
    })
    void theDotStandsFurtherOutForALargerDifference(int loss, int waste, String unit, Kind kind, int size) {
        var mark = Mark.of(deviation(Cause.CHANGED_AT_RECORDER, new Cost(loss, waste, unit, 0)));
        assertThat(mark).isEqualTo(new Mark(kind, size));
    }

    @Test
    void theWorstStandsForAll() {
        var marks = List.of(new Mark(Kind.IN_TUNE, 0), new Mark(Kind.LOSS, 1), new Mark(Kind.WASTE, 3));
        assertThat(Mark.worst(marks)).isEqualTo(new Mark(Kind.LOSS, 1));
        assertThat(Mark.worst(List.of())).isEqualTo(Mark.NOT_GOVERNED);
    }

    @Test
    void everyCauseIsEitherWellOrWaitingOrDriftAndNeverTwoOfThem() {
        for (var cause : Cause.values()) {
            assertThat(cause.isWaiting() && cause.isDrift()).as(cause.words()).isFalse();
            assertThat(cause.isWaiting() || cause.isDrift()).as(cause.words()).isEqualTo(cause.isDeviation());
        }
    }
}
