package choir.onvif;

import java.time.Duration;

/** The moment by which a whole conversation is over. */
record Deadline(Duration whole, long atNanos) {
    static Deadline in(Duration whole) {
        return new Deadline(whole, System.nanoTime() + whole.toNanos());
    }

    Duration left() {
        return Duration.ofNanos(atNanos - System.nanoTime());
    }

    boolean isOver() {
        return left().isNegative() || left().isZero();
    }
}
