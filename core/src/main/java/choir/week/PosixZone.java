package choir.week;

import java.time.DayOfWeek;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.time.LocalDateTime;
import java.time.ZoneId;
import java.time.ZoneOffset;
import java.time.temporal.TemporalAdjusters;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * A time zone as devices state it, such as {@code CET-1CEST,M3.5.0,M10.5.0/3}: the TZ form of POSIX.1-2017, section 8.3.
 * Its sign is west-positive. Without a rule the clock never changes.
 */
public final class PosixZone {
    private static final String NAME = "(?:[A-Za-z]{3,}|<[A-Za-z0-9+-]{1,}>)";
    private static final String OFFSET = "[+-]?\\d{1,3}(?::\\d{2}(?::\\d{2})?)?";
    private static final String RULE = "(?:M\\d{1,2}\\.[1-5]\\.[0-6]|J\\d{1,3}|\\d{1,3})(?:/" + OFFSET + ")?";
    private static final Pattern FORM = Pattern.compile(
            NAME + "(" + OFFSET + ")(?:" + NAME + "(" + OFFSET + ")?(?:,(" + RULE + "),(" + RULE + "))?)?");
    private static final Duration STEP = Duration.ofMinutes(30);

    private final Duration standard;
    private final Duration summer;
    private final @org.jspecify.annotations.Nullable Rule start;
    private final @org.jspecify.annotations.Nullable Rule end;

    /** When in a year the clock changes. */
    private record Rule(String day, Duration time) {
        static Rule parse(String text) {
            int slash = text.indexOf('/');
            return slash < 0
                    ? new Rule(text, Duration.ofHours(2))
                    : new Rule(text.substring(0, slash), offset(text.substring(slash + 1)));
        }

        LocalDateTime in(int year) {
            return date(year).atStartOfDay().plus(time);
        }

        private LocalDate date(int year) {
            if (day.startsWith("M")) {
                var parts = day.substring(1).split("\\.");
                var weekday = DayOfWeek.of((Integer.parseInt(parts[2]) + 6) % 7 + 1);
                var first = LocalDate.of(year, Integer.parseInt(parts[0]), 1);
                int week = Integer.parseInt(parts[1]);
                return week == 5
                        ? first.with(TemporalAdjusters.lastInMonth(weekday))
                        : first.with(TemporalAdjusters.dayOfWeekInMonth(week, weekday));
            }
            boolean julian = day.startsWith("J");
            int number = Integer.parseInt(julian ? day.substring(1) : day);
            boolean leapDayPassed = julian && number >= 60 && java.time.Year.isLeap(year);
            return LocalDate.of(year, 1, 1).plusDays(julian ? number - 1L + (leapDayPassed ? 1 : 0) : number);
        }
    }

    private PosixZone(Matcher m) {
        standard = offset(m.group(1)).negated();
        summer = m.group(2) == null ? standard.plusHours(1) : offset(m.group(2)).negated();
        start = m.group(3) == null ? null : Rule.parse(m.group(3));
        end = m.group(4) == null ? null : Rule.parse(m.group(4));
        // A month, an hour or a day that does not exist is found out here and not later.
        if (start != null && end != null) {
            start.in(2028);
            end.in(2028);
        }
        ZoneOffset.ofTotalSeconds((int) standard.toSeconds());
        ZoneOffset.ofTotalSeconds((int) summer.toSeconds());
    }

    /** Empty for a text that is no zone of that form. */
    public static Optional<PosixZone> parse(String text) {
        var match = FORM.matcher(text.strip());
        try {
            return match.matches() ? Optional.of(new PosixZone(match)) : Optional.empty();
        } catch (java.time.DateTimeException e) {
            return Optional.empty();
        }
    }

    private static Duration offset(String text) {
        boolean negative = text.startsWith("-");
        var parts = text.replaceFirst("^[+-]", "").split(":");
        long seconds = Integer.parseInt(parts[0]) * 3600L;
        seconds += parts.length > 1 ? Integer.parseInt(parts[1]) * 60L : 0;
        seconds += parts.length > 2 ? Integer.parseInt(parts[2]) : 0;
        return Duration.ofSeconds(negative ? -seconds : seconds);
    }

    /** How far the wall clock is ahead of UTC at that moment. */
    public Duration offset(Instant instant) {
        if (start == null || end == null) {
            return standard;
        }
        int year = instant.atOffset(ZoneOffset.UTC).plus(standard).getYear();
        var starts = start.in(year).minus(standard).toInstant(ZoneOffset.UTC);
        var ends = end.in(year).minus(summer).toInstant(ZoneOffset.UTC);
        boolean northern = starts.isBefore(ends);
        boolean inside = northern
                ? !instant.isBefore(starts) && instant.isBefore(ends)
                : !instant.isBefore(starts) || instant.isBefore(ends);
        return inside ? summer : standard;
    }

    /** The first moment within two years at which the two clocks differ; empty when they agree. */
    public Optional<Instant> firstDifference(ZoneId zone, Instant from) {
        var until = from.plus(Duration.ofDays(731));
        for (var at = from.truncatedTo(java.time.temporal.ChronoUnit.HOURS); at.isBefore(until); at = at.plus(STEP)) {
            if (zone.getRules().getOffset(at).getTotalSeconds() != offset(at).toSeconds()) {
                return Optional.of(at);
            }
        }
        return Optional.empty();
    }
}
