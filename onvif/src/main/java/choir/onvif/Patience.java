package choir.onvif;

import java.time.Duration;

/**
 * How long a recorder is waited for, by the wall clock and whatever it sends meanwhile.
 *
 * @param call for one question and its answer
 * @param reading for everything that is asked to know what a recorder holds
 * @param writing for everything that is sent to it in one go
 */
public record Patience(Duration call, Duration reading, Duration writing) {
    public Patience {
        if (call.isNegative() || call.isZero() || reading.compareTo(call) < 0 || writing.compareTo(call) < 0) {
            throw new IllegalArgumentException(
                    "a whole conversation is not shorter than one call: " + call + ", " + reading + ", " + writing);
        }
    }

    /** The usual proportions. */
    public static Patience ofCall(Duration call) {
        return new Patience(call, call.multipliedBy(3), call.multipliedBy(6));
    }
}
