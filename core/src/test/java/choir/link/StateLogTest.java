package choir.link;

import static org.assertj.core.api.Assertions.assertThat;

import choir.link.FootageLink.Stretch;
import choir.link.StateLog.Edge;
import choir.link.StateLog.Kind;
import java.time.Instant;
import org.junit.jupiter.api.Test;

class StateLogTest {
    private final StateLog log = new StateLog();

    private static Instant at(long second) {
        return Instant.ofEpochSecond(second);
    }

    private void told(Kind kind, String of, long second, boolean on) {
        log.add(new Edge(kind, of, at(second), on, false));
    }

    private static Stretch stretch(long from, long until) {
        return new Stretch(at(from), at(until));
    }

    @Test
    void itRecordsWhileAnyOfItsJobsDoes() {
        told(Kind.RECORDS, "always", 10, true);
        told(Kind.RECORDS, "on motion", 15, true);
        told(Kind.RECORDS, "always", 20, false);
        told(Kind.RECORDS, "on motion", 30, false);
        told(Kind.RECORDS, "on motion", 40, true);
        assertThat(log.history(at(0), at(50), true).recorded().orElseThrow())
                .containsExactly(stretch(10, 30), stretch(40, 50));
    }

    @Test
    void whatWasNeverToldIsNotKnownAndWhatWasToldToBeOffIsNone() {
        told(Kind.RECORDS, "job", 10, false);
        var history = log.history(at(0), at(50), true);
        assertThat(history.recorded().orElseThrow()).isEmpty();
        assertThat(history.motion()).isEmpty();
    }

    @Test
    void repeatedAndDisorderedEdgesChangeNothing() {
        told(Kind.MOVES, "rule", 20, false);
        told(Kind.MOVES, "rule", 12, true);
        told(Kind.MOVES, "rule", 10, true);
        told(Kind.MOVES, "rule", 22, false);
        assertThat(log.history(at(0), at(50), true).motion().orElseThrow()).containsExactly(stretch(10, 20));
    }

    @Test
    void howItStoodIsOlderThanWhatTurnedInTheSameMoment() {
        told(Kind.MOVES, "rule", 10, true);
        log.add(new Edge(Kind.MOVES, "rule", at(10), false, true));
        assertThat(log.history(at(0), at(20), true).motion().orElseThrow()).containsExactly(stretch(10, 20));
    }

    @Test
    void whatIsForgottenLeavesHowItStoodThen() {
        told(Kind.RECORDS, "job", 1, true);
        told(Kind.RECORDS, "job", 5, false);
        told(Kind.RECORDS, "job", 7, true);
        told(Kind.RECORDS, "job", 30, false);
        log.forgetBefore(at(20));
        assertThat(log.history(at(0), at(50), true).recorded().orElseThrow()).containsExactly(stretch(7, 30));
        log.forgetBefore(at(40));
        assertThat(log.history(at(40), at(50), true).recorded().orElseThrow()).isEmpty();
    }

    /** Whoever makes up names for its rules fills no memory. */
    @Test
    void aStrangersManyRulesAreBounded() {
        for (int i = 0; i < 100_000; i++) {
            told(Kind.MOVES, "rule " + i, i, true);
        }
        assertThat(log.last().orElseThrow()).isBefore(at(1_000));
    }
}
