package choir.week;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Objects;
import java.util.Set;

/**
 * Few lines that paint a week, for people: one value for all of it first where that helps, then what differs, perhaps with
 * a wider window under what interrupts it. Never more lines than the canonical form has.
 */
final class ShortWeek {
    private static final Comparator<List<String>> SHORTER =
            Comparator.<List<String>>comparingInt(List::size).thenComparingInt(ShortWeek::letters);

    private ShortWeek() {}

    private static int letters(List<String> lines) {
        return lines.stream().mapToInt(String::length).sum();
    }

    static <V> List<String> lines(Week<V> week) {
        var few = withWiderWindows(week, Week.silent());
        if (few.size() > 1 && week.spokenMinutes() == Week.MINUTES) {
            for (V value : values(week)) {
                var base = Week.always(value);
                var lines = joined(WeekText.print(base), withWiderWindows(week, base));
                few = SHORTER.compare(lines, few) < 0 ? lines : few;
            }
        }
        return few;
    }

    private static List<String> joined(List<String> first, List<String> then) {
        List<String> all = new ArrayList<>(first);
        all.addAll(then);
        return all;
    }

    private static <V> Set<V> values(Week<V> week) {
        Set<V> values = new LinkedHashSet<>();
        week.runs().forEach(r -> values.add(r.value()));
        return values;
    }

    private static <V> Week<V> differing(Week<V> week, Week<V> base) {
        return week.join(base, (a, b) -> Objects.equals(a, b) ? null : a);
    }

    /** The canonical lines over the base, or those with one value laid under all stretches of a day that begin and end with it. */
    private static <V> List<String> withWiderWindows(Week<V> week, Week<V> base) {
        var rest = differing(week, base);
        var best = WeekText.print(rest);
        for (V value : values(rest)) {
            Week<V> wide = Week.silent();
            for (int day = 0; day < 7; day++) {
                wide = widened(rest, value, day * Week.DAY, (day + 1) * Week.DAY, wide);
            }
            var under = wide.over(base);
            var over = differing(week, under);
            var lines = joined(WeekText.print(wide), WeekText.print(over));
            // A silent minute cannot be painted back.
            if (over.over(under).equals(week) && SHORTER.compare(lines, best) < 0) {
                best = lines;
            }
        }
        return best;
    }

    private static <V> Week<V> widened(Week<V> rest, V value, int from, int to, Week<V> wide) {
        int first = -1;
        int last = -1;
        for (var run : rest.runs()) {
            if (run.value().equals(value) && run.from() < to && run.to() > from) {
                first = first < 0 ? Math.max(run.from(), from) : first;
                last = Math.min(run.to(), to);
            }
        }
        return first < 0 ? wide : wide.paint(first, last, value);
    }
}
