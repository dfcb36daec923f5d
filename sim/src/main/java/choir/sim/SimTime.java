package choir.sim;

import java.time.Duration;
import java.time.Instant;

/**
 * What time it is in the simulated world. It goes with the true time, or from an instant on many times as fast, so that days
 * are lived in minutes; how long recorders wait for others stays true time.
 */
final class SimTime {
    private static final int FASTEST = 100_000;

    private record Pace(Instant from, int speed) {}

    private static volatile Pace pace = new Pace(Instant.EPOCH, 1);

    private SimTime() {}

    static Instant now() {
        var now = pace;
        var real = Instant.now();
        return now.speed() == 1 || real.isBefore(now.from())
                ? real
                : now.from().plus(Duration.between(now.from(), real).multipliedBy(now.speed()));
    }

    /**
     * @param text such as {@code 60@2027-01-14T06:00:00Z}: from when on, in true time, it goes how many times as fast
     * @throws IllegalArgumentException for what is none
     */
    static void pace(String text) {
        var parts = text.split("@", 2);
        try {
            int speed = Integer.parseInt(parts[0]);
            if (parts.length < 2 || speed < 1 || speed > FASTEST) {
                throw new IllegalArgumentException("a speed is 1 to " + FASTEST + " and from when on, not " + text);
            }
            pace = new Pace(Instant.parse(parts[1]), speed);
        } catch (NumberFormatException | java.time.DateTimeException e) {
            throw new IllegalArgumentException("a speed looks like 60@2027-01-14T06:00:00Z, not " + text, e);
        }
    }
}
