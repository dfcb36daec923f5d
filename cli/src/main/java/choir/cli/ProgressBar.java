package choir.cli;

import java.io.PrintWriter;
import tools.jackson.databind.JsonNode;

/** One line on a terminal that tells how far long work is; nothing elsewhere. */
final class ProgressBar implements AutoCloseable {
    private static final int WIDTH = 30;

    private final PrintWriter out;
    private final String what;
    private final boolean onTerminal = isOnTerminal();
    private boolean shown;

    @SuppressWarnings("SystemConsoleNull")
    private static boolean isOnTerminal() {
        var console = System.console();
        return console != null && console.isTerminal();
    }

    ProgressBar(PrintWriter out, String what) {
        this.out = out;
        this.what = what;
    }

    void show(JsonNode work) {
        int total = work.path("total").asInt();
        if (!onTerminal || total == 0) {
            return;
        }
        int done = Math.min(work.path("done").asInt(), total);
        int filled = WIDTH * done / total;
        int failed = work.path("failed").asInt();
        out.print("\r" + what + " [" + "=".repeat(filled) + " ".repeat(WIDTH - filled) + "] " + done + " of " + total
                + (failed > 0 ? ", " + failed + " failed" : "") + rest(Visible.line(Listing.text(work, "note"))));
        out.flush();
        shown = true;
    }

    /** Says on a terminal that something is being done of which nobody can tell how far it is. */
    void waiting() {
        if (onTerminal) {
            out.print("\r" + what + " ...");
            out.flush();
            shown = true;
        }
    }

    /** What it is waiting for, as far as there is room; blanks over what stood there before. */
    private static String rest(String note) {
        var words = note.isEmpty() ? "" : "; " + note;
        return "%-60s".formatted(words.length() > 60 ? words.substring(0, 57) + "..." : words);
    }

    @Override
    public void close() {
        if (shown) {
            out.print("\r" + " ".repeat(WIDTH + what.length() + 100) + "\r");
            out.flush();
        }
    }
}
