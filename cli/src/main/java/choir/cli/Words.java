package choir.cli;

import java.io.PrintWriter;
import java.io.StringWriter;
import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import org.jline.reader.Candidate;
import org.jline.reader.Completer;
import org.jline.reader.LineReader;
import org.jline.reader.ParsedLine;
import picocli.AutoComplete;

/** What a word that is being typed may become: commands and options, and where none fits the names of the fleet. */
final class Words implements Completer {
    private static final Duration FRESH = Duration.ofSeconds(60);

    private final Act act;
    private List<String> names = List.of();
    private String asked = "";
    private long at;

    Words(Act act) {
        this.act = act;
    }

    @Override
    public void complete(LineReader reader, ParsedLine line, List<Candidate> candidates) {
        var words = line.words().toArray(String[]::new);
        var typed = line.word().substring(0, line.wordCursor());
        List<CharSequence> found = new ArrayList<>();
        AutoComplete.complete(
                Main.whole(act.home()).getCommandSpec(),
                words,
                line.wordIndex(),
                line.wordCursor(),
                line.cursor(),
                found);
        // They come as what is still to be typed.
        found.forEach(rest -> candidates.add(new Candidate(typed + rest)));
        if (found.isEmpty()) {
            names(String.join(" ", line.words().subList(0, line.wordIndex())), typed)
                    .forEach(name -> candidates.add(candidate(name)));
        }
    }

    /** One that goes on, such as {@code group:}, is not followed by a blank. */
    private static Candidate candidate(String name) {
        boolean whole = !name.endsWith(":") && !name.endsWith("=");
        return new Candidate(name, name, null, null, null, null, whole);
    }

    /** Asked once for each place on a line and kind of term, for a while. */
    private List<String> names(String before, String typed) {
        var term = typed.substring(0, Math.max(typed.lastIndexOf(':'), typed.lastIndexOf(',')) + 1);
        var line = "choir " + before + (before.isEmpty() ? "" : " ") + (typed.startsWith("--") ? typed : term);
        if (!line.equals(asked) || System.nanoTime() - at > FRESH.toNanos()) {
            asked = line;
            at = System.nanoTime();
            var text = new StringWriter();
            var nowhere = new PrintWriter(new StringWriter());
            Main.run(act.home().environment(), new PrintWriter(text), nowhere, "names", "--for", line);
            names = text.toString().lines().toList();
        }
        return names;
    }
}
