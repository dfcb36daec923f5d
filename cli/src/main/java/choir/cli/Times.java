package choir.cli;

import java.time.Instant;
import java.time.ZoneId;
import java.time.format.DateTimeFormatter;
import java.util.Locale;

/** The service's instants, shown on this machine's clock. */
final class Times {
    private static final DateTimeFormatter SHORT =
            DateTimeFormatter.ofPattern("EEE d MMM HH:mm", Locale.ENGLISH).withZone(ZoneId.systemDefault());

    private Times() {}

    static String of(String instant) {
        return instant.isEmpty() ? "" : SHORT.format(Instant.parse(instant));
    }
}
