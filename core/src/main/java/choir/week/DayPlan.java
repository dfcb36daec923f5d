package choir.week;

import java.util.EnumSet;
import java.util.List;
import java.util.function.UnaryOperator;

/**
 * What starts recording on one special day, from its midnight to the next. It speaks of every minute, so that nothing of
 * the ordinary week shows through on a recorder that replaces the whole day.
 *
 * @param day spoken of on Monday alone, as the day's own minutes
 */
public record DayPlan(Week<TriggerSet> day) {
    private static final int MOST_SHORTENED = 100;

    public DayPlan {
        if (day.spokenMinutes() != Week.DAY
                || day.at(0).isEmpty()
                || day.at(Week.DAY - 1).isEmpty()) {
            throw new WeekTextException("the plan of a special day speaks of every minute of it; start with"
                    + " \"daily none\" when the rest of the day ought to record nothing");
        }
    }

    /**
     * Reads lines such as {@code daily 08:00-12:00 continuous}; later lines paint over earlier ones.
     *
     * @throws WeekTextException for other days than daily, and for a window over midnight
     */
    public static DayPlan parse(List<String> lines) {
        Week<TriggerSet> day = Week.silent();
        for (var line : lines) {
            int cut = line.strip().lastIndexOf(' ');
            var window = WeekWindow.parse(cut < 0 ? line.strip() : line.strip().substring(0, cut));
            if (window.days().size() < 7 || window.to() <= window.from() || cut < 0) {
                throw new WeekTextException("\"" + line + "\" is not a line of a special day; expected daily, times"
                        + " within the day if wanted, and triggers: daily 08:00-12:00 continuous");
            }
            day = day.paint(
                    window.from(), window.to(), TriggerSet.parse(line.strip().substring(cut + 1)));
        }
        return new DayPlan(day);
    }

    /** The fewest lines that paint it; of a plan that changes very often, those of its stretches. */
    public List<String> lines() {
        var runs = day.runs();
        return (runs.size() <= MOST_SHORTENED ? Strokes.of(runs) : runs)
                .stream()
                        .map(r -> new WeekWindow(EnumSet.allOf(Day.class), r.from(), r.to()) + " " + r.value())
                        .toList();
    }

    public DayPlan map(UnaryOperator<TriggerSet> each) {
        return new DayPlan(day.map(each));
    }

    @Override
    public String toString() {
        return String.join("; ", lines());
    }
}
