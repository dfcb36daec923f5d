package choir.onvif;

import java.time.Duration;

/**
 * The moment by which a whole conversation is over.
 *
 * @param who with whom, as messages call it
 */
record Deadline(String who, Duration whole, long atNanos) {
    static Deadline of(String who, Duration whole) {
        return new Deadline(who, whole, System.nanoTime() + whole.toNanos());
    }

    Duration left() {
        return Duration.ofNanos(atNanos - System.nanoTime());
    }

    boolean isOver() {
        return left().isNegative() || left().isZero();
    }
}
