package choir.rollout;

import java.time.Duration;
import java.time.Instant;

/** When a recorder that could not be reached is tried again: soon, and then at growing intervals. */
public final class Retry {
    private static final Duration FIRST = Duration.ofSeconds(1);
    private static final Duration LONGEST = Duration.ofMinutes(5);

    private Retry() {}

    /** @param tries how often it was tried already, at least 1 */
    public static Duration after(int tries) {
        var growing = FIRST.multipliedBy(1L << Math.min(tries - 1, 16));
        return growing.compareTo(LONGEST) < 0 ? growing : LONGEST;
    }

    /** The moment of the next try, and the deadline itself rather than nothing when that comes first. */
    public static Instant next(Instant now, int tries, Instant deadline) {
        var next = now.plus(after(tries));
        return next.isAfter(deadline) && now.isBefore(deadline) ? deadline : next;
    }
}
