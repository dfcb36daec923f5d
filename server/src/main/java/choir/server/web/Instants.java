package choir.server.web;

import java.time.DateTimeException;
import java.time.Instant;
import java.time.OffsetDateTime;
import org.jspecify.annotations.Nullable;

/** Moments as callers say them. */
public final class Instants {
    private Instants() {}

    /**
     * @param what it is of, for the message
     * @throws Problem when it is none, or has no zone
     */
    public static Instant parse(String what, @Nullable String text) {
        try {
            return OffsetDateTime.parse(String.valueOf(text)).toInstant();
        } catch (DateTimeException e) {
            throw new Problem(
                    Problem.Kind.INVALID,
                    what + " is no time with a zone, such as 2027-01-14T06:00:00Z or 2027-01-14T06:00:00+01:00");
        }
    }
}
