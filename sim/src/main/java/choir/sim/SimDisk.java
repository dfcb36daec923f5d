package choir.sim;

import java.time.Duration;
import java.time.Instant;
import java.time.temporal.ChronoUnit;

/** Where a recorder keeps what it records. When it is full the oldest goes, of all channels alike. */
final class SimDisk {
    private static final int MOST_DAYS = 60;
    private static final Duration DAY = Duration.ofDays(1);

    /** How much it holds; 0 for a disk that is never full. */
    volatile long bytes;

    private long workedOutFor;
    private Instant hour = Instant.EPOCH;
    private Instant oldest = Instant.EPOCH;

    /** Nothing from before is kept. Worked out once an hour, since a disk fills slowly. */
    synchronized Instant oldest(SimRecorder recorder, Instant now) {
        long holds = bytes;
        if (holds == 0) {
            return Instant.EPOCH;
        }
        var thisHour = now.truncatedTo(ChronoUnit.HOURS);
        if (!thisHour.equals(hour) || holds != workedOutFor) {
            hour = thisHour;
            workedOutFor = holds;
            oldest = fullSince(recorder, holds, thisHour);
        }
        return oldest;
    }

    private static Instant fullSince(SimRecorder recorder, long holds, Instant now) {
        double left = holds;
        var until = now;
        for (int day = 0; day < MOST_DAYS; day++) {
            var from = until.minus(DAY);
            double ofDay = 0;
            for (var channel : recorder.channels) {
                ofDay += new SimLife(recorder, channel).bytes(from, until, now);
            }
            if (ofDay > left) {
                return until.minusSeconds(Math.round(DAY.toSeconds() * left / ofDay));
            }
            left -= ofDay;
            until = from;
        }
        return Instant.EPOCH;
    }
}
