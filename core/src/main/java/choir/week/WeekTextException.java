package choir.week;

import choir.refusal.Refusal;

/** A line of a week that cannot be understood; the message says what was expected. */
public final class WeekTextException extends Refusal {
    public WeekTextException(String message) {
        super(message);
    }
}
