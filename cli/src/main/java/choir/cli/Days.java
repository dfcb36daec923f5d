package choir.cli;

import org.jspecify.annotations.Nullable;
import picocli.CommandLine.Option;

/** A span of dates. */
final class Days {
    @Option(
            names = "--from",
            paramLabel = "DATE",
            description = "first day, such as 2026-11-01; 30 days before the last if" + " not said")
    private @Nullable String from;

    @Option(names = "--until", paramLabel = "DATE", description = "last day; today if not said")
    private @Nullable String until;

    @Option(names = "--day", paramLabel = "DATE", description = "one day alone")
    private @Nullable String day;

    boolean isOneDay() {
        return day != null;
    }

    boolean isSaid() {
        return day != null || from != null || until != null;
    }

    /** With a question mark or an ampersand before it, as the address needs. */
    String with(String address) {
        if (day != null && (from != null || until != null)) {
            throw new Failure(Failure.WRONG_USAGE, "--day is one day alone; say either that, or --from and --until");
        }
        var first = day != null ? day : from;
        var last = day != null ? day : until;
        var full = address;
        if (first != null) {
            full += (full.contains("?") ? "&" : "?") + "from=" + Client.encode(first);
        }
        if (last != null) {
            full += (full.contains("?") ? "&" : "?") + "until=" + Client.encode(last);
        }
        return full;
    }
}
