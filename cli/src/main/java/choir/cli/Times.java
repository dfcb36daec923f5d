package choir.cli;

import java.time.Duration;
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

    /** How long before now, such as {@code 3 h ago}. */
    static String ago(String instant) {
        long minutes = Duration.between(Instant.parse(instant), Instant.now()).toMinutes();
        return minutes < 2
                ? "just now"
                : minutes < 120
                        ? minutes + " min ago"
                        : minutes < 48 * 60 ? minutes / 60 + " h ago" : minutes / (24 * 60) + " days ago";
    }
}
