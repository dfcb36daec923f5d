package choir.week;

import choir.refusal.Refusal;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import java.time.ZonedDateTime;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/**
 * A week with its special days on the wall clock of a zone. When the clock jumps forward the skipped minutes do not
 * exist; when it falls back the repeated hour runs the same plan twice. Durations are those of real time.
 *
 * @param specialDays in order; where two hold the same date the first counts
 */
public record WallClock(Week<TriggerSet> week, List<SpecialDay> specialDays, ZoneId zone) {
    /** The dates of one calendar with the plan for them. */
    public record SpecialDay(String calendar, DateSet dates, DayPlan plan) {}

    public WallClock {
        specialDays = List.copyOf(specialDays);
    }

    /** What starts recording at that moment; empty when nothing is said of it. */
    public Optional<TriggerSet> at(Instant instant) {
        var local = instant.atZone(zone);
        int minute = local.getHour() * 60 + local.getMinute();
        return day(local.toLocalDate()).at(minute);
    }

    /** The special day that a date is, if it is one. */
    public Optional<SpecialDay> special(LocalDate date) {
        return specialDays.stream().filter(s -> s.dates().includes(date)).findFirst();
    }

    /** The plan of a date, as the minutes of a Monday. */
    private Week<TriggerSet> day(LocalDate date) {
        var special = special(date);
        if (special.isPresent()) {
            return special.get().plan().day();
        }
        int first = (date.getDayOfWeek().getValue() - 1) * Week.DAY;
        Week<TriggerSet> day = Week.silent();
        for (var run : week.runs()) {
            int from = Math.max(run.from(), first);
            int to = Math.min(run.to(), first + Week.DAY);
            if (from < to) {
                day = day.paint(from - first, to - first, run.value());
            }
        }
        return day;
    }

    /** How long each trigger set holds in real time, from the first date to before the other. */
    public Map<TriggerSet, Duration> durations(LocalDate from, LocalDate toExclusive) {
        if (!toExclusive.isAfter(from) || toExclusive.isAfter(from.plusYears(10))) {
            throw new Refusal("expected a later date within ten years, not " + from + " to " + toExclusive);
        }
        Map<TriggerSet, Duration> sums = new LinkedHashMap<>();
        between(
                        from.atStartOfDay(zone).toInstant(),
                        toExclusive.atStartOfDay(zone).toInstant())
                .forEach(s -> sums.merge(s.triggers(), Duration.between(s.from(), s.until()), Duration::plus));
        return sums;
    }

    /** A stretch of real time for which one trigger set holds; the end exclusive. */
    public record Stretch(Instant from, Instant until, TriggerSet triggers) {}

    /** What holds from one moment to before another, in order; of moments of which nothing is said there is none. */
    public List<Stretch> between(Instant from, Instant until) {
        List<Stretch> stretches = new ArrayList<>();
        var last = until.atZone(zone).toLocalDate();
        for (var date = from.atZone(zone).toLocalDate(); !date.isAfter(last); date = date.plusDays(1)) {
            var plan = day(date);
            var end = date.plusDays(1).atStartOfDay(zone);
            for (var piece = date.atStartOfDay(zone); piece.isBefore(end); piece = endOfOffset(piece, end)) {
                add(stretches, plan, piece, endOfOffset(piece, end), from, until);
            }
        }
        return stretches;
    }

    private static void add(
            List<Stretch> stretches,
            Week<TriggerSet> plan,
            ZonedDateTime piece,
            ZonedDateTime end,
            Instant from,
            Instant until) {
        long first = piece.toLocalTime().toSecondOfDay();
        for (var run : plan.runs()) {
            var begin = later(from, later(piece.toInstant(), piece.toInstant().plusSeconds(run.from() * 60L - first)));
            var stop = earlier(until, earlier(end.toInstant(), piece.toInstant().plusSeconds(run.to() * 60L - first)));
            if (begin.isBefore(stop)) {
                stretches.add(new Stretch(begin, stop, run.value()));
            }
        }
    }

    private static Instant later(Instant a, Instant b) {
        return a.isAfter(b) ? a : b;
    }

    private static Instant earlier(Instant a, Instant b) {
        return a.isBefore(b) ? a : b;
    }

    /** The end of the day, or an earlier moment at which the clock is put. */
    private ZonedDateTime endOfOffset(ZonedDateTime from, ZonedDateTime end) {
        var next = zone.getRules().nextTransition(from.toInstant());
        return next != null && next.getInstant().isBefore(end.toInstant())
                ? next.getInstant().atZone(zone)
                : end;
    }
}
