package choir.week;

import choir.refusal.Refusal;
import java.time.DateTimeException;
import java.time.LocalDate;
import java.time.MonthDay;
import java.time.format.DateTimeParseException;
import java.util.regex.Pattern;

/** One entry of a calendar: a date, the same day of every year, or a range of dates. */
public sealed interface SpecialDate extends Comparable<SpecialDate> {
    int LONGEST_RANGE_DAYS = 400;

    boolean includes(LocalDate date);

    /** The first date in the order of calendars; a yearly day stands behind all dates. */
    LocalDate sortedAs();

    record On(LocalDate date) implements SpecialDate {
        @Override
        public boolean includes(LocalDate other) {
            return date.equals(other);
        }

        @Override
        public LocalDate sortedAs() {
            return date;
        }

        @Override
        public String toString() {
            return date.toString();
        }
    }

    /** The 29th of February is a day of leap years only. */
    record Yearly(MonthDay day) implements SpecialDate {
        @Override
        public boolean includes(LocalDate date) {
            return MonthDay.from(date).equals(day);
        }

        @Override
        public LocalDate sortedAs() {
            return LocalDate.of(9996, day.getMonthValue(), day.getDayOfMonth());
        }

        @Override
        public String toString() {
            return "%02d-%02d yearly".formatted(day.getMonthValue(), day.getDayOfMonth());
        }
    }

    /** From the first to the last date, both included. */
    record Range(LocalDate first, LocalDate last) implements SpecialDate {
        public Range {
            if (!last.isAfter(first) || last.isAfter(first.plusDays(LONGEST_RANGE_DAYS))) {
                throw new Refusal("\"" + first + ".." + last + "\": a range ends after it starts, and" + " within "
                        + LONGEST_RANGE_DAYS + " days");
            }
        }

        @Override
        public boolean includes(LocalDate date) {
            return !date.isBefore(first) && !date.isAfter(last);
        }

        @Override
        public LocalDate sortedAs() {
            return first;
        }

        @Override
        public String toString() {
            return first + ".." + last;
        }
    }

    @Override
    default int compareTo(SpecialDate other) {
        int byDate = sortedAs().compareTo(other.sortedAs());
        return byDate != 0 ? byDate : toString().compareTo(other.toString());
    }

    Pattern YEARLY = Pattern.compile("(\\d{2})-(\\d{2})\\s+yearly");

    /**
     * Reads {@code 2027-01-01}, {@code 12-25 yearly} or {@code 2027-06-28..2027-07-02}.
     *
     * @throws Refusal saying what was expected
     */
    static SpecialDate parse(String text) {
        var trimmed = text.strip();
        var yearly = YEARLY.matcher(trimmed);
        try {
            if (yearly.matches()) {
                return new Yearly(MonthDay.of(Integer.parseInt(yearly.group(1)), Integer.parseInt(yearly.group(2))));
            }
            var ends = trimmed.split("\\.\\.", -1);
            if (ends.length == 2) {
                return new Range(LocalDate.parse(ends[0].strip()), LocalDate.parse(ends[1].strip()));
            }
            return new On(LocalDate.parse(trimmed));
        } catch (DateTimeParseException e) {
            throw new Refusal(
                    "\"" + text + "\" is not a date; expected 2027-01-01, 12-25 yearly or 2027-06-28..2027-07-02");
        } catch (DateTimeException e) {
            throw new Refusal("\"" + text + "\" is no day of the year");
        }
    }
}
