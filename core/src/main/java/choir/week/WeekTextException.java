package choir.week;

/** A line of a week that cannot be understood; the message says what was expected. */
public final class WeekTextException extends IllegalArgumentException {
    public WeekTextException(String message) {
        super(message);
    }
}
