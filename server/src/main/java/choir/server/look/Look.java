package choir.server.look;

import java.time.Duration;

/**
 * How far somebody has seen.
 *
 * @param since from where on what happened is new to them, for as long as they stay
 * @param seen when they looked last
 */
record Look(Moment since, Moment seen) {
    /** Whoever comes back sooner was never away. */
    static final Duration AWAY = Duration.ofMinutes(30);

    static Look first(Moment now) {
        return new Look(now, now);
    }

    /** Nothing was seen before it. */
    boolean isFirst() {
        return since.equals(seen);
    }

    /** They look now; after an absence what is new begins where they looked last. */
    Look again(Moment now) {
        boolean wasAway = Duration.between(seen.at(), now.at()).compareTo(AWAY) > 0;
        return new Look(wasAway ? seen : since, now);
    }
}
