package choir.document;

import choir.refusal.Refusal;
import choir.week.DateSet;
import choir.week.SpecialDate;
import java.time.Duration;
import java.time.LocalDate;
import java.time.MonthDay;
import java.time.temporal.Temporal;
import java.util.ArrayList;
import java.util.List;
import net.fortuna.ical4j.model.Calendar;
import net.fortuna.ical4j.model.Property;
import net.fortuna.ical4j.model.component.VEvent;
import net.fortuna.ical4j.model.property.DtEnd;
import net.fortuna.ical4j.model.property.DtStart;
import net.fortuna.ical4j.model.property.ProdId;
import net.fortuna.ical4j.model.property.RRule;
import net.fortuna.ical4j.model.property.Uid;
import net.fortuna.ical4j.model.property.immutable.ImmutableVersion;

/** A calendar of dates as iCalendar (RFC 5545): events of whole days, once, over a range, or every year. */
public final class DateCalendar {
    /** How the dates of a written calendar stand in it. */
    public enum Form {
        /** Without a time, as other programs expect days. */
        DATES,
        /** From midnight to midnight, as recorders take them. */
        MIDNIGHTS
    }

    /** The year from which a yearly day is told; a leap year, so that every day of a year has a date in it. */
    private static final int FIRST_YEAR = 2000;

    private DateCalendar() {}

    /**
     * The dates that the text describes.
     *
     * @throws CalendarException when it is not iCalendar, or holds an event of other than whole days
     */
    public static DateSet read(String text) {
        List<SpecialDate> dates = new ArrayList<>();
        for (var event : CalendarException.events(text)) {
            dates = CalendarException.about(event, dates, DateCalendar::add);
        }
        return new DateSet(dates);
    }

    /**
     * What of a text can be used.
     *
     * @param leftOut each event that cannot, with why
     */
    public record Usable(DateSet dates, List<String> leftOut) {
        public Usable {
            leftOut = List.copyOf(leftOut);
        }
    }

    /**
     * The dates that can be used, since one event of another kind is no reason to do without all holidays.
     *
     * @throws CalendarException when it is not iCalendar, or no event of it can be used
     */
    public static Usable usable(String text) {
        List<SpecialDate> dates = new ArrayList<>();
        List<CalendarException> refused = new ArrayList<>();
        for (var event : CalendarException.events(text)) {
            try {
                dates = CalendarException.about(event, dates, DateCalendar::add);
            } catch (CalendarException e) {
                refused.add(e);
            }
        }
        if (dates.isEmpty() && !refused.isEmpty()) {
            throw refused.getFirst();
        }
        return new Usable(
                new DateSet(dates),
                refused.stream().map(e -> String.valueOf(e.getMessage())).toList());
    }

    private static List<SpecialDate> add(VEvent event, List<SpecialDate> dates) {
        var start = event.<DtStart<Temporal>>getProperty(Property.DTSTART)
                .map(s -> WeekCalendar.local(s.getDate()))
                .orElseThrow(() -> new Refusal("it has no start"));
        var end = event.<DtEnd<Temporal>>getProperty(Property.DTEND)
                .map(e -> WeekCalendar.local(e.getDate()))
                .orElse(start.plusDays(1));
        if (start.getHour() != 0 || start.getMinute() != 0 || !wholeDays(Duration.between(start, end))) {
            throw new Refusal("it is not of whole days");
        }
        var first = start.toLocalDate();
        var last = end.toLocalDate().minusDays(1);
        var all = new ArrayList<>(dates);
        var rule = event.<RRule<Temporal>>getProperty(Property.RRULE);
        if (rule.isEmpty()) {
            all.add(first.equals(last) ? new SpecialDate.On(first) : new SpecialDate.Range(first, last));
            return all;
        }
        if (!rule.get().getValue().matches("FREQ=YEARLY(;INTERVAL=1)?(;BYMONTH=\\d+)?(;BYMONTHDAY=\\d+)?")) {
            throw new Refusal("it recurs by \"" + rule.get().getValue() + "\"; only every year is known");
        }
        for (var date = first; !date.isAfter(last); date = date.plusDays(1)) {
            all.add(new SpecialDate.Yearly(MonthDay.from(date)));
        }
        return all;
    }

    private static boolean wholeDays(Duration length) {
        return length.toMinutes() > 0 && length.toMinutes() % (24 * 60) == 0 && length.toDays() <= 401;
    }

    public static String write(String name, DateSet dates, Form form) {
        var calendar = new Calendar();
        calendar.add(new ProdId("-//choir//EN"));
        calendar.add(ImmutableVersion.VERSION_2_0);
        int number = 0;
        for (var date : dates.dates()) {
            calendar.add(event(name, ++number, date, form));
        }
        return calendar.toString();
    }

    private static VEvent event(String name, int number, SpecialDate date, Form form) {
        LocalDate first = switch (date) {
            case SpecialDate.On(var d) -> d;
            case SpecialDate.Yearly(var d) -> LocalDate.of(FIRST_YEAR, d.getMonthValue(), d.getDayOfMonth());
            case SpecialDate.Range(var f, var l) -> f;
        };
        LocalDate last = date instanceof SpecialDate.Range(var f, var l) ? l : first;
        var event = form == Form.DATES
                ? new VEvent(first, last.plusDays(1), name)
                : new VEvent(first.atStartOfDay(), last.plusDays(1).atStartOfDay(), name);
        if (date instanceof SpecialDate.Yearly) {
            event.add(new RRule<>("FREQ=YEARLY"));
        }
        event.add(new Uid(name + "-" + number + "@choir"));
        return event;
    }
}
