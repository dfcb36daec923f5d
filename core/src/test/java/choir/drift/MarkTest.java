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
    private static Deviation deviation(Cause cause, Distance distance) {
        return new Deviation(
                Catalogue.SENSITIVITY,
                cause,
                Optional.empty(),
                Optional.empty(),
                Optional.empty(),
                distance,
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
        assertThat(Mark.of(deviation(cause, Distance.Counted.of(Measure.STEPS, 3, 0)))
                        .kind())
                .isEqualTo(kind);
    }

    @ParameterizedTest
    @CsvSource({
        "1, 0, STEPS, LOSS, 1",
        "2, 0, STEPS, LOSS, 2",
        "10, 0, STEPS, LOSS, 3",
        "9, 10, CELLS, BOTH, 2",
        "0, 5000, PIXELS, WASTE, 3",
        "10, 0, MILLISECONDS, LOSS, 1",
        "5, 0, SECONDS, LOSS, 2",
        "0, 0, STEPS, BOTH, 1"
    })
    void theDotStandsFurtherOutForALargerDifference(int loss, int waste, Measure measure, Kind kind, int size) {
        var mark = Mark.of(deviation(Cause.CHANGED_AT_RECORDER, Distance.Counted.of(measure, loss, waste)));
        assertThat(mark).isEqualTo(new Mark(kind, size));
    }

    @ParameterizedTest
    @CsvSource({"59, 1", "60, 2", "1439, 2", "1440, 3"})
    void minutesOfTheWeekWeighByTheHourAndByTheDay(int minutes, int size) {
        var mark = Mark.of(deviation(Cause.CHANGED_AT_RECORDER, new Distance.OfWeek(0, minutes, 0)));
        assertThat(mark).isEqualTo(new Mark(Kind.WASTE, size));
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
