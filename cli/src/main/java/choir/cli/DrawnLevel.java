package choir.cli;

import java.util.ArrayList;
import java.util.List;

/** A level over time in the terminal: columns of eighths of a line, with the threshold as a line through them. */
final class DrawnLevel {
    private static final String EIGHTHS = " ▁▂▃▄▅▆▇█";
    private static final int HEIGHT = 6;

    private DrawnLevel() {}

    /**
     * @param levels of each picture, 0 to 1
     * @param width in characters; of the pictures that share one the strongest is drawn
     * @return lines from the top, the threshold's with its number at the end
     */
    static List<String> lines(double[] levels, double threshold, int width) {
        double[] columns = new double[Math.min(width, Math.max(1, levels.length))];
        for (int i = 0; i < levels.length; i++) {
            int column = (int) ((long) i * columns.length / levels.length);
            columns[column] = Math.max(columns[column], levels[i]);
        }
        double most = threshold * 2;
        for (double level : columns) {
            most = Math.max(most, Math.min(level, threshold * 12));
        }
        int line = HEIGHT - 1 - (int) Math.min(HEIGHT - 1, threshold / most * HEIGHT);
        List<String> lines = new ArrayList<>();
        for (int row = 0; row < HEIGHT; row++) {
            var text = new StringBuilder();
            for (double level : columns) {
                double filled = (level / most * HEIGHT - (HEIGHT - 1 - row)) * 8;
                char drawn = EIGHTHS.charAt(Math.clamp(Math.round(filled), 0, 8));
                text.append(drawn == ' ' && row == line ? '╌' : drawn);
            }
            lines.add(row == line ? text + " " + Shares.percent(threshold * 100) : text.toString());
        }
        return lines;
    }

    /**
     * Marks under the level.
     *
     * @param at of each column, whether something is wanted ({@code W}), unwanted ({@code u}) or neither
     */
    static String marks(char[] at) {
        return new String(at).stripTrailing();
    }
}
