package choir.server.report;

import choir.refusal.Refusal;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.Optional;

/** The days that a report is about, the last one included. */
record Span(LocalDate first, LocalDate last, ZoneId zone) {
    private static final int LONGEST_DAYS = 731;

    Span {
        if (last.isBefore(first)) {
            throw new Refusal("the report would end on " + last + ", before it begins on " + first);
        }
        if (last.toEpochDay() - first.toEpochDay() >= LONGEST_DAYS) {
            throw new Refusal("a report is about two years at most, not " + first + " to " + last);
        }
    }

    Instant begin() {
        return first.atStartOfDay(zone).toInstant();
    }

    /** The first instant that is no longer in it. */
    Instant end() {
        return last.plusDays(1).atStartOfDay(zone).toInstant();
    }

    Duration length() {
        return Duration.between(begin(), end());
    }

    /** The part of it from one instant to another; no end is for ever. */
    Duration share(Instant from, Optional<Instant> to) {
        var a = from.isAfter(begin()) ? from : begin();
        var b = to.filter(t -> t.isBefore(end())).orElse(end());
        return b.isAfter(a) ? Duration.between(a, b) : Duration.ZERO;
    }
}
