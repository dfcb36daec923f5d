package choir.server.web;

import java.time.LocalDate;
import java.time.format.DateTimeParseException;

/** Dates as people write them in requests. */
public final class Dates {
    private Dates() {}

    public static LocalDate parse(String text) {
        try {
            return LocalDate.parse(text);
        } catch (DateTimeParseException e) {
            throw new Problem(Problem.Kind.INVALID, "\"" + text + "\" is not a date; expected a form like 2027-03-01");
        }
    }
}
