package choir.storage;

import choir.refusal.Refusal;
import java.util.Locale;

/**
 * What is taken for true where nothing was measured.
 *
 * @param mainBits bits a second of the main stream at {@link #FULL_RATE} pictures a second; fewer pictures need less in
 *     proportion
 * @param smallBits the same of any other stream
 * @param eventsAnHour how often something moves, alarms or is found by analytics
 * @param eventSeconds how long that lasts
 */
public record Assumed(long mainBits, long smallBits, double eventsAnHour, double eventSeconds) {
    static final int FULL_RATE = 25;
    public static final Assumed USUAL = new Assumed(4_000_000, 500_000, 6, 12);

    public Assumed {
        if (mainBits < 1 || smallBits < 1 || !(eventsAnHour >= 0) || !(eventSeconds >= 0)) {
            throw new Refusal("streams have at least 1 bit a second, and events are not fewer than none");
        }
        if (eventsAnHour * eventSeconds >= 3600) {
            throw new Refusal(eventsAnHour + " events an hour of " + eventSeconds + " s leave no quiet between them");
        }
    }

    /**
     * The share of the time for which something waits for events records, 0 to 1: events that come at random (a Poisson
     * process with rate λ of their begins and exponential gaps), each of length L, padded by d = before + after:
     * 1 − (1 − λL) · e^(−λd / (1 − λL)).
     *
     * @param padding seconds before and after together
     */
    double share(double padding) {
        double rate = eventsAnHour / 3600;
        double quiet = 1 - rate * eventSeconds;
        return 1 - quiet * Math.exp(-rate * padding / quiet);
    }

    /** For people, such as {@code 4.0 Mbit/s for the main stream and ...}. */
    public String bitsInWords() {
        return String.format(
                Locale.ROOT,
                "%.1f Mbit/s for the main stream and %.1f for a smaller one at %d pictures a second",
                mainBits / 1e6,
                smallBits / 1e6,
                FULL_RATE);
    }

    /** For people, such as {@code 6 events of 12 s an hour}. */
    public String eventsInWords() {
        return number(eventsAnHour) + " events of " + number(eventSeconds) + " s an hour";
    }

    private static String number(double value) {
        return value == Math.rint(value) ? Long.toString((long) value) : Double.toString(value);
    }
}
