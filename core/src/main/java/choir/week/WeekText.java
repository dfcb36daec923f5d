package choir.week;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.EnumSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.function.Function;

/**
 * The text form of a week, one window a line, later lines painting over earlier ones.
 *
 * <p>The canonical form prints maximal runs cut at midnight, except runs under 24 hours that cross one; windows with
 * equal times and values share a line; lines are sorted by their first minute in the week.
 */
public final class WeekText {
    private WeekText() {}

    /** Reads lines such as {@code mon-fri 06:00-18:30 continuous}; the value is the last word. */
    public static Week<TriggerSet> parse(List<String> lines) {
        return parse(lines, TriggerSet::parse);
    }

    public static <V> Week<V> parse(List<String> lines, Function<String, V> value) {
        Week<V> week = Week.silent();
        for (var line : lines) {
            var trimmed = line.strip();
            int cut = trimmed.lastIndexOf(' ');
            if (cut < 0) {
                throw new WeekTextException("\"" + line + "\" is not a line of a week; expected days, times if wanted,"
                        + " and triggers: mon-fri 06:00-18:30 continuous");
            }
            week = paint(week, trimmed.substring(0, cut), value.apply(trimmed.substring(cut + 1)));
        }
        return week;
    }

    /** Paints the window that the text names over a week. */
    public static <V> Week<V> paint(Week<V> week, String window, V value) {
        var painted = week;
        for (var stretch : WeekWindow.parse(window).stretches()) {
            painted = painted.paint(stretch[0], stretch[1], value);
        }
        return painted;
    }

    /** The canonical lines. */
    public static <V> List<String> print(Week<V> week) {
        return windows(week).entrySet().stream()
                .map(e -> e.getKey() + " " + e.getValue())
                .toList();
    }

    /** Few lines that paint the same week, for people: at most as many as the canonical ones, and no more letters for as many. */
    public static <V> List<String> shortest(Week<V> week) {
        return ShortWeek.lines(week);
    }

    /** The canonical windows with their values, in the order of their first minute. */
    public static <V> Map<String, V> entries(Week<V> week) {
        Map<String, V> entries = new LinkedHashMap<>();
        windows(week).forEach((window, value) -> entries.put(window.toString(), value));
        return entries;
    }

    /** One stretch in words: {@code fri 22:00-04:00}; a stretch of over a day names both ends. */
    public static String stretch(int from, int to) {
        int length = to - from;
        var first = Day.values()[from / Week.DAY];
        if (length < Week.DAY || from % Week.DAY == 0 && length == Week.DAY) {
            int end = (to - 1) % Week.DAY + 1;
            return new WeekWindow(Set.of(first), from % Week.DAY, end).toString();
        }
        var last = Day.values()[(to - 1) / Week.DAY];
        return first.text() + " " + WeekWindow.time(from % Week.DAY) + " to " + last.text() + " "
                + WeekWindow.time((to - 1) % Week.DAY + 1);
    }

    private record Shape<V>(int from, int to, V value) {}

    private static <V> Map<WeekWindow, V> windows(Week<V> week) {
        Map<Shape<V>, Set<Day>> byShape = new LinkedHashMap<>();
        for (var run : wrappedRuns(week)) {
            for (var piece : pieces(run)) {
                var shape = new Shape<>(piece.from() % Week.DAY, (piece.to() - 1) % Week.DAY + 1, piece.value());
                byShape.computeIfAbsent(shape, s -> EnumSet.noneOf(Day.class))
                        .add(Day.values()[piece.from() / Week.DAY]);
            }
        }
        Map<WeekWindow, V> windows = new LinkedHashMap<>();
        byShape.entrySet().stream()
                .map(e -> Map.entry(
                        new WeekWindow(
                                e.getValue(), e.getKey().from(), e.getKey().to()),
                        e.getKey().value()))
                .sorted(Comparator.comparingInt(e -> e.getKey().firstMinuteOfWeek()))
                .forEach(e -> windows.put(e.getKey(), e.getValue()));
        return windows;
    }

    /** The runs, with one that goes on from Sunday into Monday joined when it is shorter than a day. */
    private static <V> List<Week.Run<V>> wrappedRuns(Week<V> week) {
        var runs = new ArrayList<>(week.runs());
        if (runs.size() < 2) {
            return runs;
        }
        var first = runs.getFirst();
        var last = runs.getLast();
        boolean wraps = first.from() == 0
                && last.to() == Week.MINUTES
                && first.value().equals(last.value())
                && first.minutes() + last.minutes() < Week.DAY;
        if (wraps) {
            runs.removeFirst();
            runs.removeLast();
            runs.add(new Week.Run<>(last.from(), last.to() + first.to(), last.value()));
        }
        return runs;
    }

    private static <V> List<Week.Run<V>> pieces(Week.Run<V> run) {
        if (run.minutes() < Week.DAY) {
            return List.of(run);
        }
        List<Week.Run<V>> pieces = new ArrayList<>();
        for (int from = run.from(); from < run.to(); ) {
            int midnight = (from / Week.DAY + 1) * Week.DAY;
            int to = Math.min(midnight, run.to());
            pieces.add(new Week.Run<>(from, to, run.value()));
            from = to;
        }
        return pieces;
    }
}
