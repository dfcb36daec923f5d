package choir.week;

import java.util.ArrayList;
import java.util.EnumSet;
import java.util.List;
import java.util.Set;
import java.util.regex.Pattern;
import java.util.stream.Collectors;

/**
 * The days and hours of one line of a week: {@code daily}, {@code mon-fri 06:00-18:30}, {@code fri-mon 22:00-04:00},
 * {@code sat,sun}, {@code mon 18:00-} (to the end of that day).
 *
 * @param days at least one
 * @param from first minute of the day, 0 to 1439
 * @param to exclusive, 1 to 1440; at or before {@code from} it is on the next day
 */
record WeekWindow(Set<Day> days, int from, int to) {
    private static final Pattern TIMES = Pattern.compile("(\\d{2}):(\\d{2})-(?:(\\d{2}):(\\d{2}))?");

    WeekWindow {
        days = java.util.Collections.unmodifiableSet(EnumSet.copyOf(days));
    }

    static WeekWindow parse(String text) {
        var words = text.strip().split("\\s+");
        if (words.length > 2 || words[0].isEmpty()) {
            throw new WeekTextException(
                    "\"" + text + "\" is not a window; expected days and, if wanted, times: mon-fri 06:00-18:30");
        }
        var days = days(words[0]);
        return words.length == 1 ? new WeekWindow(days, 0, Week.DAY) : times(days, words[1]);
    }

    private static WeekWindow times(Set<Day> days, String text) {
        var match = TIMES.matcher(text);
        if (!match.matches()) {
            throw new WeekTextException(
                    "\"" + text + "\" is not a time span; expected 06:00-18:30, or 18:00- to" + " the end of the day");
        }
        int from = minute(match.group(1), match.group(2), false);
        int to = match.group(3) == null ? Week.DAY : minute(match.group(3), match.group(4), true);
        if (from == to) {
            throw new WeekTextException(
                    "\"" + text + "\" starts and ends at the same time; for the whole day leave" + " the times out");
        }
        return new WeekWindow(days, from, to);
    }

    private static int minute(String hours, String minutes, boolean end) {
        int h = Integer.parseInt(hours);
        int m = Integer.parseInt(minutes);
        if (m > 59 || h > 24 || h == 24 && (m > 0 || !end)) {
            throw new WeekTextException("\"" + hours + ":" + minutes + "\" is not a time of day; expected 00:00 to"
                    + (end ? " 24:00" : " 23:59"));
        }
        return h * 60 + m;
    }

    private static Set<Day> days(String text) {
        if (text.equals("daily")) {
            return EnumSet.allOf(Day.class);
        }
        var days = EnumSet.noneOf(Day.class);
        for (var part : text.split(",", -1)) {
            var ends = part.split("-", -1);
            if (ends.length > 2) {
                throw notDays(part);
            }
            Day day = Day.parse(ends[0]).orElseThrow(() -> notDays(part));
            Day last = Day.parse(ends[ends.length - 1]).orElseThrow(() -> notDays(part));
            days.add(day);
            while (day != last) {
                day = day.plus(1);
                days.add(day);
            }
        }
        return days;
    }

    private static WeekTextException notDays(String part) {
        return new WeekTextException(
                "\"" + part + "\" is not a day; expected daily, mon, tue, wed, thu, fri, sat, sun, mon-fri or mon,wed");
    }

    /** The stretches of the week that this window covers; Sunday's runs into Monday. */
    List<int[]> stretches() {
        List<int[]> stretches = new ArrayList<>();
        for (var day : days) {
            int start = day.firstMinute() + from;
            int end = day.firstMinute() + (to > from ? to : to + Week.DAY);
            stretches.add(new int[] {start, Math.min(end, Week.MINUTES)});
            if (end > Week.MINUTES) {
                stretches.add(new int[] {0, end - Week.MINUTES});
            }
        }
        return stretches;
    }

    int firstMinuteOfWeek() {
        return days.iterator().next().firstMinute() + from;
    }

    private boolean isWholeDays() {
        return from == 0 && to == Week.DAY;
    }

    @Override
    public String toString() {
        return daysText() + (isWholeDays() ? "" : " " + time(from) + "-" + time(to));
    }

    static String time(int minute) {
        return "%02d:%02d".formatted(minute / 60, minute % 60);
    }

    private String daysText() {
        if (days.size() == 7) {
            return "daily";
        }
        var chains = chains();
        return chains.stream().map(WeekWindow::chainText).collect(Collectors.joining(","));
    }

    /** Stretches of neighbouring days; the only stretch may wrap over the end of the week. */
    private List<List<Day>> chains() {
        List<List<Day>> chains = new ArrayList<>();
        for (var day : days) {
            boolean follows = !chains.isEmpty() && chains.getLast().getLast().plus(1) == day;
            if (!follows) {
                chains.add(new ArrayList<>());
            }
            chains.getLast().add(day);
        }
        boolean wraps = chains.size() == 2 && days.contains(Day.SUN) && days.contains(Day.MON) && days.size() >= 3;
        if (wraps) {
            var tail = new ArrayList<>(chains.getLast());
            tail.addAll(chains.getFirst());
            return List.of(tail);
        }
        return chains;
    }

    private static String chainText(List<Day> chain) {
        return chain.size() >= 3
                ? chain.getFirst().text() + "-" + chain.getLast().text()
                : chain.stream().map(Day::text).collect(Collectors.joining(","));
    }
}
