package choir.policy;

import choir.refusal.Refusal;
import java.util.regex.Pattern;

/** The name of a calendar; it starts with a letter, so that it is never taken for a date. */
public record CalendarName(String text) implements Comparable<CalendarName> {
    private static final Pattern FORM = Pattern.compile("[a-z][a-z0-9-]{0,59}");

    public CalendarName {
        if (!FORM.matcher(text).matches()) {
            throw new Refusal("\"" + text + "\" is not a name of a calendar; expected at most 60 of"
                    + " a-z, 0-9 and -, a letter first");
        }
    }

    @Override
    public int compareTo(CalendarName other) {
        return text.compareTo(other.text);
    }

    @Override
    public String toString() {
        return text;
    }
}
