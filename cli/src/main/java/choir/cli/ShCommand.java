package choir.cli;

import java.io.BufferedReader;
import java.io.Console;
import java.io.IOException;
import java.io.InputStreamReader;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Optional;
import org.jline.reader.EOFError;
import org.jline.reader.EndOfFileException;
import org.jline.reader.LineReader;
import org.jline.reader.LineReaderBuilder;
import org.jline.reader.SyntaxError;
import org.jline.reader.UserInterruptException;
import org.jline.reader.impl.DefaultParser;
import org.jline.terminal.TerminalBuilder;
import org.jspecify.annotations.Nullable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;

@Command(
        name = "sh",
        description = "Many commands in one session, with completion and history; or those of a file, one a line.",
        footer =
                "Lines are typed as after choir; # begins a comment, Ctrl-D ends it. A file stops at the first command that"
                        + " fails, and sh exits as that one did.")
final class ShCommand extends Act {
    private static final int MOST_LINES_KEPT = 2_000;

    @Parameters(paramLabel = "FILE", arity = "0..1", description = "of commands; - for what is piped in")
    private @Nullable String file;

    @Option(names = "--go-on", description = "with a file: go on after a command that fails")
    private boolean goOn;

    private final DefaultParser words = new DefaultParser();

    @Override
    int run(Client ignored) {
        // Words are split as shells do, and nothing else of a shell is meant.
        words.setEscapeChars(new char[0]);
        words.setEofOnUnclosedQuote(true);
        try {
            if (file == null
                    && Optional.ofNullable(System.console())
                            .filter(Console::isTerminal)
                            .isPresent()) {
                return typed();
            }
            if (file == null || file.equals("-")) {
                return read(new BufferedReader(new InputStreamReader(System.in, StandardCharsets.UTF_8)), "line");
            }
            try (var lines = Files.newBufferedReader(Path.of(file))) {
                return read(lines, file + ", line");
            }
        } catch (IOException e) {
            throw new Failure(
                    Failure.FAILED,
                    (file == null ? "the terminal" : file) + " cannot be read: "
                            + (e.getMessage() == null ? e.toString() : e.getMessage()));
        }
    }

    private int typed() throws IOException {
        var history = home().privateFile("history");
        try (var terminal = TerminalBuilder.builder().dumb(true).build()) {
            var reader = LineReaderBuilder.builder()
                    .terminal(terminal)
                    .parser(words)
                    .completer(new Words(this))
                    .variable(LineReader.HISTORY_FILE, history)
                    .variable(LineReader.HISTORY_IGNORE, "*--password*:*choir_*:*--code*")
                    .variable(LineReader.HISTORY_SIZE, MOST_LINES_KEPT)
                    .variable(LineReader.HISTORY_FILE_SIZE, MOST_LINES_KEPT)
                    .build();
            terminal.writer().println("help says what there is; Ctrl-D ends");
            while (true) {
                try {
                    var line = reader.readLine("choir> ");
                    Table.fit(terminal.getWidth());
                    one(line, "");
                } catch (UserInterruptException e) {
                    // Only the line is given up.
                } catch (EndOfFileException e) {
                    return Failure.DONE;
                }
            }
        }
    }

    private int read(BufferedReader lines, String where) throws IOException {
        int worst = Failure.DONE;
        int number = 0;
        for (var line = lines.readLine(); line != null; line = lines.readLine()) {
            number++;
            int code = one(line, where + " " + number + ": ");
            if (code != Failure.DONE && code != Failure.FOUND) {
                if (!goOn) {
                    return code;
                }
                worst = code;
            }
            worst = worst == Failure.DONE ? code : worst;
        }
        return worst;
    }

    /** @param where before what is said of a line that is no command */
    private int one(String line, String where) {
        var text = line.strip();
        if (text.isEmpty() || text.startsWith("#")) {
            return Failure.DONE;
        }
        List<String> typed;
        try {
            typed = words.parse(text, text.length()).words().stream()
                    .filter(w -> !w.isEmpty())
                    .toList();
        } catch (EOFError e) {
            errors().println("choir: " + where + "a quote is opened and not closed");
            return Failure.WRONG_USAGE;
        } catch (SyntaxError e) {
            errors().println("choir: " + where + e.getMessage());
            return Failure.WRONG_USAGE;
        }
        if (typed.getFirst().equals("choir")) {
            typed = typed.subList(1, typed.size());
        }
        if (typed.isEmpty()) {
            return Failure.DONE;
        }
        if (typed.getFirst().equals("sh")) {
            errors().println("choir: " + where + "this is sh already");
            return Failure.WRONG_USAGE;
        }
        return Main.run(home().environment(), out(), errors(), typed.toArray(String[]::new));
    }
}
