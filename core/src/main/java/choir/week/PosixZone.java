package choir.week;

import java.time.DateTimeException;
import java.time.DayOfWeek;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.time.LocalDateTime;
import java.time.ZoneId;
import java.time.ZoneOffset;
import java.time.temporal.TemporalAdjusters;
import java.util.List;
import java.util.Optional;
import java.util.SortedSet;
import java.util.TreeSet;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import org.jspecify.annotations.Nullable;

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
    private static final Duration LONGEST_TIME = Duration.ofHours(167);

    private final Duration standard;
    private final Duration summer;
    private final @Nullable Rule start;
    private final @Nullable Rule end;

    /** When in a year the clock changes. */
    private record Rule(String day, Duration time) {
        static Rule parse(String text) {
            int slash = text.indexOf('/');
            return slash < 0
                    ? new Rule(text, Duration.ofHours(2))
                    : new Rule(text.substring(0, slash), offset(text.substring(slash + 1)));
        }

        /** Refuses a day, a month or an hour that does not exist. */
        void check() {
            if (time.abs().compareTo(LONGEST_TIME) > 0) {
                throw new DateTimeException("a change " + time + " after midnight");
            }
            if (!day.startsWith("M")) {
                int number = Integer.parseInt(day.startsWith("J") ? day.substring(1) : day);
                if (number > 365 || number == 0 && day.startsWith("J")) {
                    throw new DateTimeException("day " + day + " of a year");
                }
            }
            in(2028);
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
            // J1 to J365 never counts the 29th of February; a bare number counts from 0 and does.
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
        if (start != null && end != null) {
            start.check();
            end.check();
        }
        checkOffset(standard);
        checkOffset(summer);
    }

    private static void checkOffset(Duration offset) {
        if (offset.abs().compareTo(Duration.ofHours(18)) > 0) {
            throw new DateTimeException("an offset of " + offset);
        }
    }

    /** Empty for a text that is no zone of that form. */
    public static Optional<PosixZone> parse(String text) {
        var match = FORM.matcher(text.strip());
        try {
            return match.matches() ? Optional.of(new PosixZone(match)) : Optional.empty();
        } catch (DateTimeException e) {
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

    public boolean savesDaylight() {
        return start != null && end != null;
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

    /**
     * The first moment within two years at which the two clocks differ; empty when they agree. Between two changes of
     * either clock nothing moves, so only the start and the changes are looked at.
     */
    public Optional<Instant> firstDifference(ZoneId zone, Instant from) {
        var until = from.plus(Duration.ofDays(731));
        SortedSet<Instant> moments = new TreeSet<>(List.of(from));
        var next = zone.getRules().nextTransition(from);
        while (next != null && next.getInstant().isBefore(until)) {
            moments.add(next.getInstant());
            next = zone.getRules().nextTransition(next.getInstant());
        }
        if (start != null && end != null) {
            int year = from.atOffset(ZoneOffset.UTC).getYear();
            for (int y = year - 1; y <= year + 3; y++) {
                moments.add(start.in(y).minus(standard).toInstant(ZoneOffset.UTC));
                moments.add(end.in(y).minus(summer).toInstant(ZoneOffset.UTC));
            }
        }
        return moments.stream()
                .filter(m -> !m.isBefore(from) && m.isBefore(until))
                .filter(m -> zone.getRules().getOffset(m).getTotalSeconds()
                        != offset(m).toSeconds())
                .findFirst();
    }
}
