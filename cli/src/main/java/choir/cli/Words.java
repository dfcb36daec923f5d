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
    private long asked = System.nanoTime() - 2 * FRESH.toNanos();

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
        if (found.isEmpty() && !typed.startsWith("-")) {
            names().stream().map(Candidate::new).forEach(candidates::add);
        }
    }

    private List<String> names() {
        if (System.nanoTime() - asked > FRESH.toNanos()) {
            asked = System.nanoTime();
            var text = new StringWriter();
            var nowhere = new PrintWriter(new StringWriter());
            Main.run(act.home().environment(), new PrintWriter(text), nowhere, "names");
            names = text.toString().lines().toList();
        }
        return names;
    }
}
