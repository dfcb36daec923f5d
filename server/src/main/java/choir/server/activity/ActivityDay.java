package choir.server.activity;

import choir.activity.DayActivity;
import choir.activity.DayActivity.Why;
import choir.activity.Spans.Span;
import java.time.Instant;
import java.time.LocalDate;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalLong;

/**
 * One day of one camera, as far as it is known.
 *
 * @param camera its row
 * @param date in the zone of its recorder
 * @param day the same in true time; 23 or 25 hours long when the clock is put
 * @param takenAt when the recorder told it
 * @param known seconds of which the recorder said whether there is footage
 * @param seconds recorded, by the reason; reasons without any are left out
 * @param motionKnown seconds of which it said whether its detection saw motion
 * @param moved seconds of motion
 * @param missing seconds that had to be recorded and were not; empty when that was not compared
 * @param detail the stretches; empty once only the sums are kept
 */
public record ActivityDay(
        long camera,
        LocalDate date,
        Span day,
        Instant takenAt,
        long clockAhead,
        long known,
        Map<Why, Long> seconds,
        long motionKnown,
        long moved,
        int events,
        OptionalLong missing,
        Optional<DayActivity> detail) {
    public ActivityDay {
        seconds = Map.copyOf(seconds);
    }

    static ActivityDay of(
            long camera, LocalDate date, Instant takenAt, long clockAhead, DayActivity activity, OptionalLong missing) {
        return new ActivityDay(
                camera,
                date,
                activity.day(),
                takenAt,
                clockAhead,
                activity.known().seconds(),
                activity.seconds(),
                activity.motionKnown().seconds(),
                activity.motion().seconds(),
                activity.motion().count(),
                missing,
                Optional.of(activity));
    }

    public long recorded() {
        return seconds.values().stream().mapToLong(Long::longValue).sum();
    }

    public long by(Why why) {
        return seconds.getOrDefault(why, 0L);
    }
}
