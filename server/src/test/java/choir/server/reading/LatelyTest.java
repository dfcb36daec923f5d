package choir.server.reading;

import static org.assertj.core.api.Assertions.assertThat;

import choir.link.ChangeLink.Subscription;
import choir.link.ChangeLink.Told;
import choir.link.ChangeLink.Turned;
import choir.link.FootageLink.Stretch;
import choir.link.StateLog.Edge;
import choir.link.StateLog.Kind;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.time.ZoneId;
import java.time.ZoneOffset;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;

/** What is said to go on now rests on what was told, and on nothing else. */
class LatelyTest {
    private static final Instant BEGIN = Instant.parse("2026-03-04T05:00:00Z");
    private static final Duration BACK = Duration.ofMinutes(3);

    /** Stands still until it is set. */
    private static final class SetClock extends Clock {
        private Instant now = BEGIN;

        @Override
        public Instant instant() {
            return now;
        }

        @Override
        public ZoneId getZone() {
            return ZoneOffset.UTC;
        }

        @Override
        public Clock withZone(ZoneId zone) {
            return this;
        }
    }

    private final SetClock clock = new SetClock();
    private final Lately lately = new Lately(clock);

    private static Instant after(int seconds) {
        return BEGIN.plusSeconds(seconds);
    }

    private static Turned turned(String channel, Kind kind, int second, boolean on) {
        return new Turned(channel, new Edge(kind, kind + channel, after(second), on, second == 0));
    }

    private void told(int second, Turned... turned) {
        clock.now = after(second);
        lately.told("r1", new Told(List.of(), List.of(turned), true, Duration.ofMinutes(9), Duration.ZERO));
    }

    private void listening() {
        lately.begins("r1", new Subscription("s", true, Map.of("job 1", "01", "job 2", "02")));
        told(
                0,
                turned("01", Kind.RECORDS, 0, false),
                turned("01", Kind.MOVES, 0, false),
                turned("02", Kind.RECORDS, 0, true),
                turned("02", Kind.MOVES, 0, false));
    }

    @Test
    void itIsKnownOnceItWasListenedToForLongEnoughAndUntilNothingIsHeard() {
        listening();
        told(170, turned("01", Kind.MOVES, 168, true), turned("01", Kind.RECORDS, 168, true));
        assertThat(lately.of("r1", after(170), BACK))
                .as("what was before is not known")
                .isEmpty();
        told(185);
        var now = lately.of("r1", after(190), BACK).orElseThrow().histories().getFirst();
        assertThat(now.get("01").recorded().orElseThrow()).containsExactly(new Stretch(after(168), after(190)));
        assertThat(now.get("02").recorded().orElseThrow()).containsExactly(new Stretch(after(10), after(190)));
        assertThat(now.get("02").motion().orElseThrow()).isEmpty();
        assertThat(lately.of("r1", after(201), BACK)).as("not heard of since").isEmpty();
    }

    @Test
    void aChannelOfWhichOneHalfIsNotToldHasTheRecorderAsked() {
        lately.begins("r1", new Subscription("s", true, Map.of("job 1", "01", "job 2", "02")));
        told(0, turned("01", Kind.RECORDS, 0, false), turned("01", Kind.MOVES, 0, false));
        told(300, turned("02", Kind.RECORDS, 290, true));
        assertThat(lately.of("r1", after(300), BACK)).isEmpty();
        told(301, turned("02", Kind.MOVES, 301, false));
        assertThat(lately.of("r1", after(301), BACK)).isPresent();
    }

    @Test
    void whatARecorderStillKeepsForUsMayHaveChangedEverything() {
        listening();
        clock.now = after(200);
        lately.told("r1", new Told(List.of(), List.of(), false, Duration.ofMinutes(9), Duration.ZERO));
        assertThat(lately.of("r1", after(200), BACK)).isEmpty();
        told(205);
        assertThat(lately.of("r1", after(205), BACK)).isPresent();
    }

    @Test
    void aLostSubscriptionLeavesNothingKnown() {
        listening();
        told(200);
        lately.forget("r1");
        told(201, turned("01", Kind.RECORDS, 201, true));
        assertThat(lately.of("r1", after(201), BACK)).isEmpty();
        lately.begins("r2", new Subscription("s", true, Map.of()));
        assertThat(lately.of("r2", after(400), BACK))
                .as("it tells of changes alone")
                .isEmpty();
    }
}
