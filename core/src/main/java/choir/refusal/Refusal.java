package choir.refusal;

/**
 * Something that a person, a file or a device said and that cannot be taken. The message is made for people: what, where
 * and what was expected. A mistake of our own is never a refusal; it stays an {@link IllegalArgumentException} or an
 * {@link IllegalStateException} and is logged.
 */
public class Refusal extends RuntimeException {
    /** What kind of thing was refused; programs may rely on these. */
    public enum Code {
        /** A single value, name or number. */
        VALUE,
        /** The language of selections. */
        SELECTION,
        /** A file, with a place for each fault. */
        DOCUMENT,
        /** iCalendar. */
        CALENDAR
    }

    private final Code code;

    public Refusal(String message) {
        this(Code.VALUE, message);
    }

    public Refusal(Code code, String message) {
        super(message);
        this.code = code;
    }

    public Code code() {
        return code;
    }
}
