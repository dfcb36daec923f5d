package choir.server.audit;

import choir.drift.Severity;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.List;

/** How many findings there were, day by day. */
public final class Trend {
    /**
     * @param opened first seen on that day
     * @param ended seen to be well, or decided, on that day
     * @param high open at its end, or now for today
     */
    public record Day(LocalDate date, int opened, int ended, int high, int medium, int low) {}

    private Trend() {}

    /** @param findings all that were open at some time between the first day and the last */
    public static List<Day> of(List<Finding> findings, LocalDate first, LocalDate last, ZoneId zone) {
        int days = (int) (last.toEpochDay() - first.toEpochDay()) + 1;
        int[] opened = new int[days];
        int[] ended = new int[days];
        // Differences from one day to the next, by severity; summed up at the end.
        int[][] open = new int[Severity.values().length][days + 1];
        for (var f : findings) {
            int from = day(f.firstSeen(), first, zone);
            int to = f.end().map(e -> day(e.at(), first, zone)).orElse(days);
            if (from >= 0 && from < days) {
                opened[from]++;
            }
            if (to >= 0 && to < days) {
                ended[to]++;
            }
            int[] bySeverity = open[f.severity().ordinal()];
            int begin = Math.clamp(from, 0, days);
            int end = Math.clamp(to, begin, days);
            bySeverity[begin]++;
            bySeverity[end]--;
        }
        List<Day> all = new ArrayList<>(days);
        int[] now = new int[open.length];
        for (int d = 0; d < days; d++) {
            for (int s = 0; s < open.length; s++) {
                now[s] += open[s][d];
            }
            all.add(new Day(
                    first.plusDays(d),
                    opened[d],
                    ended[d],
                    now[Severity.HIGH.ordinal()],
                    now[Severity.MEDIUM.ordinal()],
                    now[Severity.LOW.ordinal()]));
        }
        return all;
    }

    private static int day(Instant at, LocalDate first, ZoneId zone) {
        return (int) (at.atZone(zone).toLocalDate().toEpochDay() - first.toEpochDay());
    }
}
