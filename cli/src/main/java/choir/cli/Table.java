package choir.cli;

import java.io.PrintWriter;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;

/** Rows in columns that fit the terminal: the widest column gives way, at a word where it can. */
final class Table {
    private static final int GAP = 2;
    private static final int NARROWEST = 8;

    /** How wide the terminal is, where that was asked rather than told by the environment. */
    private static volatile Optional<Integer> fitted = Optional.empty();

    private final List<String> heads;
    private final List<List<String>> rows = new ArrayList<>();

    Table(String... heads) {
        this.heads = List.of(heads);
    }

    Table row(String... cells) {
        if (cells.length != heads.size()) {
            throw new IllegalArgumentException(cells.length + " cells for " + heads.size() + " columns");
        }
        rows.add(List.of(cells));
        return this;
    }

    boolean isEmpty() {
        return rows.isEmpty();
    }

    /** From now on tables fit so many columns. */
    static void fit(int columns) {
        fitted = Optional.of(columns).filter(c -> c >= NARROWEST);
    }

    /** The width to fit, if the output is a terminal. */
    static Optional<Integer> terminalWidth() {
        if (fitted.isPresent()) {
            return fitted;
        }
        try {
            return Optional.ofNullable(System.getenv("COLUMNS"))
                    .map(Integer::valueOf)
                    .filter(c -> c >= 40);
        } catch (NumberFormatException e) {
            return Optional.empty();
        }
    }

    void print(PrintWriter out, Optional<Integer> width) {
        var shown = rows.stream()
                .map(row -> row.stream().map(Visible::text).toList())
                .toList();
        if (width.isPresent() && width.get() < NARROWEST * heads.size() + GAP * (heads.size() - 1)) {
            stacked(shown, width.get(), out);
            return;
        }
        int[] widths = widths(shown, width);
        line(heads.stream().map(h -> h.toUpperCase(java.util.Locale.ROOT)).toList(), widths, out);
        shown.forEach(row -> line(row, widths, out));
        out.flush();
    }

    /** Where so many columns have no room beside each other, each row stands as lines of its own. */
    private void stacked(List<List<String>> rows, int width, PrintWriter out) {
        int head = heads.stream().mapToInt(String::length).max().orElse(0) + GAP;
        for (var row : rows) {
            for (int i = 0; i < row.size(); i++) {
                var before = heads.get(i) + " ".repeat(head - heads.get(i).length());
                if (!row.get(i).isBlank()) {
                    for (var line : wrap(row.get(i), Math.max(NARROWEST, width - head))) {
                        out.println((before + line).stripTrailing());
                        before = " ".repeat(head);
                    }
                }
            }
            out.println();
        }
        out.flush();
    }

    private int[] widths(List<List<String>> rows, Optional<Integer> width) {
        int[] widths = new int[heads.size()];
        for (int i = 0; i < widths.length; i++) {
            int column = i;
            widths[i] = Math.max(
                    heads.get(i).length(),
                    rows.stream()
                            .flatMap(r -> r.get(column).lines())
                            .mapToInt(String::length)
                            .max()
                            .orElse(0));
        }
        width.ifPresent(most -> {
            while (Arrays.stream(widths).sum() + GAP * (widths.length - 1) > most) {
                int widest = 0;
                for (int i = 1; i < widths.length; i++) {
                    widest = widths[i] > widths[widest] ? i : widest;
                }
                if (widths[widest] <= NARROWEST) {
                    break;
                }
                widths[widest]--;
            }
        });
        return widths;
    }

    /** A cell that is too long goes on in the next line, so that nothing is lost. */
    private static void line(List<String> cells, int[] widths, PrintWriter out) {
        List<List<String>> columns = new ArrayList<>();
        int height = 1;
        for (int i = 0; i < widths.length; i++) {
            var wrapped = wrap(cells.get(i), widths[i]);
            columns.add(wrapped);
            height = Math.max(height, wrapped.size());
        }
        for (int h = 0; h < height; h++) {
            var text = new StringBuilder();
            for (int i = 0; i < widths.length; i++) {
                var part = h < columns.get(i).size() ? columns.get(i).get(h) : "";
                text.append(part);
                if (i < widths.length - 1) {
                    text.repeat(' ', widths[i] - part.length() + GAP);
                }
            }
            out.println(text.toString().stripTrailing());
        }
    }

    /** Line breaks stay where they are. */
    static List<String> wrap(String text, int width) {
        List<String> lines = new ArrayList<>();
        text.lines().forEach(line -> wrap(line, width, lines));
        return lines.isEmpty() ? List.of("") : lines;
    }

    private static void wrap(String line, int width, List<String> lines) {
        var rest = line;
        while (rest.length() > width) {
            int cut = rest.lastIndexOf(' ', width);
            int end = cut > 0 ? cut : width;
            lines.add(rest.substring(0, end).stripTrailing());
            rest = rest.substring(end).stripLeading();
        }
        lines.add(rest);
    }

    /** Comma-separated values (RFC 4180); a cell that a spreadsheet would take for a formula gets a quote before it. */
    void csv(PrintWriter out) {
        out.println(String.join(",", heads.stream().map(Table::csvCell).toList()));
        rows.forEach(row ->
                out.println(String.join(",", row.stream().map(Table::csvCell).toList())));
        out.flush();
    }

    private static String csvCell(String text) {
        var safe = !text.isEmpty() && "=+-@\t\r".indexOf(text.charAt(0)) >= 0 ? "'" + text : text;
        boolean quoted = safe.chars().anyMatch(c -> c == ',' || c == '"' || c == '\n' || c == '\r')
                || !safe.equals(safe.strip());
        return quoted ? "\"" + safe.replace("\"", "\"\"") + "\"" : safe;
    }
}
