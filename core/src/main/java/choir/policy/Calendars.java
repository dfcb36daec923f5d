package choir.policy;

import choir.week.DateSet;
import choir.week.SpecialDate;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/** The calendars that policies speak of, by name. */
public record Calendars(Map<CalendarName, DateSet> byName) {
    public static final Calendars NONE = new Calendars(Map.of());

    public Calendars {
        byName = Map.copyOf(byName);
    }

    /** True for what stands for itself, such as {@code 2027-03-01}, instead of naming a calendar. */
    public static boolean isDate(String calendarOrDate) {
        return !calendarOrDate.isEmpty() && Character.isDigit(calendarOrDate.charAt(0));
    }

    /** The dates of a calendar, or the date itself; empty for a calendar that is not there. */
    public Optional<DateSet> dates(String calendarOrDate) {
        return isDate(calendarOrDate)
                ? Optional.of(new DateSet(List.of(SpecialDate.parse(calendarOrDate))))
                : Optional.ofNullable(byName.get(new CalendarName(calendarOrDate)));
    }
}
