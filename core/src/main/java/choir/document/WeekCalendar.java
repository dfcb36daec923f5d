package choir.document;

import choir.refusal.Refusal;
import choir.week.Week;
import java.time.DayOfWeek;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.time.LocalDateTime;
import java.time.ZoneOffset;
import java.time.ZonedDateTime;
import java.time.temporal.ChronoField;
import java.time.temporal.Temporal;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.SortedSet;
import java.util.TreeSet;
import java.util.function.Function;
import java.util.stream.Collectors;
import net.fortuna.ical4j.model.Calendar;
import net.fortuna.ical4j.model.Property;
import net.fortuna.ical4j.model.Recur;
import net.fortuna.ical4j.model.WeekDay;
import net.fortuna.ical4j.model.component.VEvent;
import net.fortuna.ical4j.model.property.DtEnd;
import net.fortuna.ical4j.model.property.DtStart;
import net.fortuna.ical4j.model.property.ProdId;
import net.fortuna.ical4j.model.property.RRule;
import net.fortuna.ical4j.model.property.Summary;
import net.fortuna.ical4j.model.property.Uid;
import net.fortuna.ical4j.model.property.immutable.ImmutableVersion;

/**
 * A week as iCalendar (RFC 5545), the summary of an event being its value. What is written is what recorders take: weekly
 * events of the year 1970, cut at midnight, local time. What is read may also recur daily, last a stated time, or run over
 * midnight; later events paint over earlier ones. What no week can say (an end, a count, every second week, dates left out,
 * a time of another zone) is refused and never guessed.
 */
public final class WeekCalendar {
    private static final int FOR_EVER = 2099;
    private static final LocalDate MONDAY = LocalDate.of(1970, 1, 5);
    private static final List<WeekDay.Day> DAYS = List.of(
            WeekDay.Day.MO,
            WeekDay.Day.TU,
            WeekDay.Day.WE,
            WeekDay.Day.TH,
            WeekDay.Day.FR,
            WeekDay.Day.SA,
            WeekDay.Day.SU);

    private WeekCalendar() {}

    /**
     * The week that the text describes.
     *
     * @param value of an event with that summary
     * @throws CalendarException when it is not iCalendar, or holds an event that is none of a week
     */
    public static <V> Week<V> read(String text, Function<String, V> value) {
        Week<V> week = Week.silent();
        for (var event : CalendarException.events(text)) {
            var summary = event.<Summary>getProperty(Property.SUMMARY)
                    .map(Summary::getValue)
                    .orElse("");
            week = CalendarException.about(event, week, (e, w) -> add(w, e, value.apply(summary)));
        }
        return week;
    }

    private static <V> Week<V> add(Week<V> week, VEvent event, V value) {
        for (var leavingOut : List.of(Property.EXDATE, Property.RDATE, Property.EXRULE, Property.RECURRENCE_ID)) {
            if (event.getProperty(leavingOut).isPresent()) {
                throw new Refusal("it has " + leavingOut + ", which no week can say");
            }
        }
        var start = local(event.<DtStart<Temporal>>getProperty(Property.DTSTART)
                .orElseThrow(() -> new Refusal("it has no start"))
                .getDate());
        int minutes = minutes(event, start);
        var rules = event.<RRule<Temporal>>getProperties(Property.RRULE);
        if (rules.isEmpty()) {
            throw new Refusal("it does not recur");
        }
        if (rules.size() == 1 && isNever(rules.getFirst().getRecur(), start, minutes)) {
            return week;
        }
        var painted = week;
        for (var rule : rules) {
            for (int day : days(rule.getRecur(), start)) {
                int from = day * Week.DAY + start.getHour() * 60 + start.getMinute();
                painted = paint(painted, from, from + minutes, value);
            }
        }
        return painted;
    }

    /** What is written where a calendar without events is refused. */
    private static boolean isNever(Recur<Temporal> rule, LocalDateTime start, int minutes) {
        return start.equals(MONDAY.atStartOfDay())
                && minutes == 1
                && rule.getUntil() != null
                && year(rule.getUntil()) == MONDAY.getYear();
    }

    private static int minutes(VEvent event, LocalDateTime start) {
        var stated = event.<DtEnd<Temporal>>getProperty(Property.DTEND)
                .map(e -> Duration.between(start, local(e.getDate())))
                .or(() -> event.<net.fortuna.ical4j.model.property.Duration>getProperty(Property.DURATION)
                        .map(d -> Duration.between(start, start.plus(d.getDuration()))))
                .orElse(Duration.ofDays(1));
        // Some end a second before the next minute begins.
        var lasts = stated.toSecondsPart() == 59 ? stated.plusSeconds(1) : stated;
        if (start.getSecond() != 0 || lasts.toSecondsPart() != 0) {
            throw new Refusal("it does not begin and end with a minute");
        }
        if (lasts.toMinutes() <= 0 || lasts.toMinutes() > Week.MINUTES) {
            throw new Refusal("it lasts " + lasts.toMinutes() + " minutes");
        }
        return (int) lasts.toMinutes();
    }

    private static List<Integer> days(Recur<Temporal> rule, LocalDateTime start) {
        refuseWhatEnds(rule);
        var named = rule.getDayList().stream()
                .map(d -> {
                    if (d.getOffset() != 0) {
                        throw new Refusal("it recurs on a day of the month");
                    }
                    return DAYS.indexOf(d.getDay());
                })
                .toList();
        return switch (rule.getFrequency()) {
            case WEEKLY -> named.isEmpty() ? List.of(start.getDayOfWeek().ordinal()) : named;
            case DAILY -> named.isEmpty() ? List.of(0, 1, 2, 3, 4, 5, 6) : named;
            default -> throw new Refusal("it recurs " + rule.getFrequency() + ", not daily or weekly");
        };
    }

    /** An end as late as devices write it for none is none. */
    private static void refuseWhatEnds(Recur<Temporal> rule) {
        if (rule.getCount() > 0) {
            throw new Refusal("it recurs " + rule.getCount() + " times and then no more");
        }
        if (rule.getInterval() > 1) {
            throw new Refusal("it recurs each " + rule.getInterval() + " times only");
        }
        var until = rule.getUntil();
        if (until != null && year(until) < FOR_EVER) {
            throw new Refusal("it recurs until " + until + " and then no more");
        }
        if (!rule.getHourList().isEmpty()
                || !rule.getMinuteList().isEmpty()
                || !rule.getMonthList().isEmpty()
                || !rule.getMonthDayList().isEmpty()
                || !rule.getYearDayList().isEmpty()
                || !rule.getWeekNoList().isEmpty()
                || !rule.getSetPosList().isEmpty()) {
            throw new Refusal("it recurs by more than days of the week");
        }
    }

    private static int year(Temporal time) {
        return time instanceof Instant instant
                ? instant.atOffset(ZoneOffset.UTC).getYear()
                : time.get(ChronoField.YEAR);
    }

    private static <V> Week<V> paint(Week<V> week, int from, int to, V value) {
        var painted = week.paint(from, Math.min(to, Week.MINUTES), value);
        return to > Week.MINUTES ? painted.paint(0, to - Week.MINUTES, value) : painted;
    }

    static LocalDateTime local(Temporal time) {
        return switch (time) {
            case LocalDateTime t -> t;
            case LocalDate d -> d.atStartOfDay();
            case ZonedDateTime z -> z.toLocalDateTime();
            default -> throw new Refusal("a time that is not local: " + time);
        };
    }

    private record Times(int from, int to, String summary) {}

    public static <V> String write(Week<V> week, Function<V, String> summary) {
        Map<Times, TreeSet<Integer>> days = new LinkedHashMap<>();
        for (var run : week.runs()) {
            for (int from = run.from(); from < run.to(); ) {
                int midnight = (from / Week.DAY + 1) * Week.DAY;
                int to = Math.min(midnight, run.to());
                int day = from / Week.DAY;
                days.computeIfAbsent(
                                new Times(from - day * Week.DAY, to - day * Week.DAY, summary.apply(run.value())),
                                t -> new TreeSet<>())
                        .add(day);
                from = to;
            }
        }
        var calendar = new Calendar();
        calendar.add(new ProdId("-//choir//EN"));
        calendar.add(ImmutableVersion.VERSION_2_0);
        List<VEvent> events = new ArrayList<>();
        days.forEach((times, on) -> events.add(event(events.size() + 1, times, on)));
        events.forEach(calendar::add);
        return calendar.toString();
    }

    /** A calendar that holds an event and yet says nothing of any week: a minute of the year 1970, for a week. */
    public static String never() {
        var calendar = new Calendar();
        calendar.add(new ProdId("-//choir//EN"));
        calendar.add(ImmutableVersion.VERSION_2_0);
        var midnight = MONDAY.atStartOfDay();
        var event = new VEvent(midnight, midnight.plusMinutes(1), "never");
        event.add(new RRule<>("FREQ=WEEKLY;UNTIL=19700106T000000;BYDAY=MO"));
        event.add(new Uid("1@choir"));
        calendar.add(event);
        return calendar.toString();
    }

    private static VEvent event(int number, Times times, SortedSet<Integer> days) {
        var midnight = MONDAY.plusDays(days.first()).atStartOfDay();
        var event = new VEvent(midnight.plusMinutes(times.from()), midnight.plusMinutes(times.to()), times.summary());
        var on = days.stream()
                .map(d -> DayOfWeek.of(d + 1))
                .map(WeekCalendar::code)
                .collect(Collectors.joining(","));
        event.add(new RRule<>("FREQ=WEEKLY;BYDAY=" + on));
        event.add(new Uid(number + "@choir"));
        return event;
    }

    private static String code(DayOfWeek day) {
        return DAYS.get(day.ordinal()).name();
    }
}
