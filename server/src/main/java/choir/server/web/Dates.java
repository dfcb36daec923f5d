package choir.server.web;

import java.time.Clock;
import java.time.LocalDate;
import java.time.format.DateTimeParseException;

/** Dates as people write them in requests. */
public final class Dates {
    private Dates() {}

    /** @throws Problem when something that counts up to and with that day would never count */
    public static void requireToCome(LocalDate last, Clock clock) {
        var today = LocalDate.now(clock);
        if (last.isBefore(today)) {
            throw new Problem(
                    Problem.Kind.INVALID,
                    "the last day " + last + " is past (today is " + today + "), so it would never count");
        }
    }

    public static LocalDate parse(String text) {
        try {
            return LocalDate.parse(text);
        } catch (DateTimeParseException e) {
            throw new Problem(Problem.Kind.INVALID, "\"" + text + "\" is not a date; expected a form like 2027-03-01");
        }
    }
}
