package choir.document;

import choir.refusal.Refusal;
import choir.week.Week;
import java.time.DayOfWeek;
import java.time.Duration;
import java.time.LocalDate;
import java.time.LocalDateTime;
import java.time.ZonedDateTime;
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
 * events of the year 1970, cut at midnight, local time. What is read may also recur daily or run over midnight; later
 * events paint over earlier ones.
 */
public final class WeekCalendar {
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
        var start = local(event.<DtStart<Temporal>>getProperty(Property.DTSTART)
                .orElseThrow()
                .getDate());
        var end = event.<DtEnd<Temporal>>getProperty(Property.DTEND)
                .map(e -> local(e.getDate()))
                .orElse(start.plusDays(1));
        long minutes = Duration.between(start, end).toMinutes();
        if (minutes <= 0 || minutes > Week.MINUTES) {
            throw new Refusal("it lasts " + minutes + " minutes");
        }
        var rule = event.<RRule<Temporal>>getProperty(Property.RRULE)
                .orElseThrow(() -> new Refusal("it does not recur"))
                .getRecur();
        var days = switch (rule.getFrequency()) {
            case WEEKLY ->
                rule.getDayList().isEmpty()
                        ? List.of(start.getDayOfWeek().ordinal())
                        : rule.getDayList().stream()
                                .map(d -> DAYS.indexOf(d.getDay()))
                                .toList();
            case DAILY -> List.of(0, 1, 2, 3, 4, 5, 6);
            default -> throw new Refusal("it recurs " + rule.getFrequency() + ", not daily or weekly");
        };
        var painted = week;
        for (int day : days) {
            int from = day * Week.DAY + start.getHour() * 60 + start.getMinute();
            painted = paint(painted, from, from + (int) minutes, value);
        }
        return painted;
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
