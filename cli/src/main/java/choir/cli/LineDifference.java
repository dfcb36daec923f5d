package choir.cli;

import java.util.ArrayList;
import java.util.List;

/** Two texts compared line by line, by their longest common subsequence. */
final class LineDifference {
    private LineDifference() {}

    /** Lines that only the first has begin with a minus, those that only the second has with a plus. */
    static List<String> between(String first, String second) {
        var a = first.lines().toList();
        var b = second.lines().toList();
        int[][] common = new int[a.size() + 1][b.size() + 1];
        for (int i = a.size() - 1; i >= 0; i--) {
            for (int j = b.size() - 1; j >= 0; j--) {
                common[i][j] = a.get(i).equals(b.get(j))
                        ? common[i + 1][j + 1] + 1
                        : Math.max(common[i + 1][j], common[i][j + 1]);
            }
        }
        List<String> lines = new ArrayList<>();
        int i = 0;
        int j = 0;
        while (i < a.size() || j < b.size()) {
            if (i < a.size() && j < b.size() && a.get(i).equals(b.get(j))) {
                i++;
                j++;
            } else if (i < a.size() && (j == b.size() || common[i + 1][j] >= common[i][j + 1])) {
                lines.add("- " + a.get(i++));
            } else {
                lines.add("+ " + b.get(j++));
            }
        }
        return lines;
    }
}
