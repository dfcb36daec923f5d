package choir.server;

import choir.refusal.Refusal;
import java.time.Clock;
import java.time.DateTimeException;
import java.time.Duration;
import java.time.Instant;
import java.time.ZoneId;

/**
 * A clock that goes many times as fast from an instant on, for days of simulated recorders that are played in minutes. How long
 * calls and people are waited for is measured by other means, and stays.
 */
final class FastClock extends Clock {
    private static final int FASTEST = 100_000;

    private final Clock real;
    private final Instant from;
    private final int speed;

    private FastClock(Clock real, Instant from, int speed) {
        this.real = real;
        this.from = from;
        this.speed = speed;
    }

    /**
     * @param text such as {@code 60@2027-01-14T06:00:00Z}
     * @throws Refusal for what is none
     */
    static Clock of(Clock real, String text) {
        var parts = text.split("@", 2);
        try {
            int speed = Integer.parseInt(parts[0]);
            if (parts.length == 2 && speed >= 1 && speed <= FASTEST) {
                return new FastClock(real, Instant.parse(parts[1]), speed);
            }
        } catch (NumberFormatException | DateTimeException e) {
            // Said below.
        }
        throw new Refusal("choir.speed \"" + text + "\" is none; expected 1 to " + FASTEST
                + " times and from when on, such as 60@2027-01-14T06:00:00Z");
    }

    @Override
    public Instant instant() {
        var now = real.instant();
        return now.isBefore(from) ? now : from.plus(Duration.between(from, now).multipliedBy(speed));
    }

    @Override
    public ZoneId getZone() {
        return real.getZone();
    }

    @Override
    public Clock withZone(ZoneId zone) {
        return new FastClock(real.withZone(zone), from, speed);
    }
}
