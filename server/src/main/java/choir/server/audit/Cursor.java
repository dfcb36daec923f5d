package choir.server.audit;

import choir.drift.Severity;
import java.time.DateTimeException;
import java.time.Instant;
import java.util.Comparator;
import java.util.Optional;

/** A place in the list of open findings: worst first, then the oldest, then by number. */
record Cursor(Severity severity, Instant firstSeen, long id) implements Comparable<Cursor> {
    private static final Comparator<Cursor> ORDER = Comparator.comparing(Cursor::severity)
            .reversed()
            .thenComparing(Cursor::firstSeen)
            .thenComparing(Cursor::id);

    static Cursor of(Finding finding) {
        return new Cursor(finding.severity(), finding.firstSeen(), finding.id());
    }

    String text() {
        return severity + "." + firstSeen + "." + id;
    }

    /** Empty for a text that is no cursor. */
    static Optional<Cursor> parse(String text) {
        int first = text.indexOf('.');
        int last = text.lastIndexOf('.');
        if (first < 0 || last <= first) {
            return Optional.empty();
        }
        try {
            return Optional.of(new Cursor(
                    Severity.valueOf(text.substring(0, first)),
                    Instant.parse(text.substring(first + 1, last)),
                    Long.parseLong(text.substring(last + 1))));
        } catch (IllegalArgumentException | DateTimeException e) {
            return Optional.empty();
        }
    }

    @Override
    public int compareTo(Cursor other) {
        return ORDER.compare(this, other);
    }
}
