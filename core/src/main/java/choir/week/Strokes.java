package choir.week;

import java.util.ArrayList;
import java.util.List;

/**
 * The fewest stretches that paint a row of runs, where a later one covers what it is painted over: a wide one first and what
 * interrupts it after it. By the recurrence of interval painting: the first run's stretch either ends with it, or goes on to a
 * later run of the same value, over all that is between. The cost grows with the cube of the runs.
 */
final class Strokes {
    /** The fewest from one run to another. */
    private final int[][] fewest;
    /** To which later run the first one's stretch goes on; itself when it ends there. */
    private final int[][] goesOnTo;

    private Strokes(List<?> values) {
        int n = values.size();
        this.fewest = new int[n + 1][n + 1];
        this.goesOnTo = new int[n][n];
        for (int i = n - 1; i >= 0; i--) {
            for (int j = i; j < n; j++) {
                fewest[i][j] = 1 + (i < j ? fewest[i + 1][j] : 0);
                goesOnTo[i][j] = i;
                for (int k = i + 1; k <= j; k++) {
                    int between = i + 1 < k ? fewest[i + 1][k - 1] : 0;
                    if (values.get(k).equals(values.get(i)) && between + fewest[k][j] < fewest[i][j]) {
                        fewest[i][j] = between + fewest[k][j];
                        goesOnTo[i][j] = k;
                    }
                }
            }
        }
    }

    /** @param runs without gaps, in order, of which no two neighbours are the same */
    static <V> List<Week.Run<V>> of(List<Week.Run<V>> runs) {
        var strokes = new Strokes(runs.stream().map(Week.Run::value).toList());
        List<Week.Run<V>> painted = new ArrayList<>();
        strokes.paint(0, runs.size() - 1, runs, painted);
        return painted;
    }

    private <V> void paint(int from, int to, List<Week.Run<V>> runs, List<Week.Run<V>> painted) {
        if (from > to) {
            return;
        }
        int place = painted.size();
        int last = from;
        while (goesOnTo[last][to] > last) {
            int next = goesOnTo[last][to];
            paint(last + 1, next - 1, runs, painted);
            last = next;
        }
        painted.add(
                place,
                new Week.Run<>(
                        runs.get(from).from(),
                        runs.get(last).to(),
                        runs.get(from).value()));
        paint(last + 1, to, runs, painted);
    }
}
