package choir.cli;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Arrays;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import java.util.TreeSet;
import org.junit.jupiter.api.Test;
import picocli.CommandLine;
import picocli.CommandLine.Help.Ansi;
import picocli.CommandLine.Model.OptionSpec;

/** {@code docs/commands.md} is made from the commands themselves; {@code -Dchoir.keep-document=true} writes it anew. */
class CommandsReferenceTest {
    private static final Path KEPT = Path.of("../docs/commands.md");

    @Test
    void everyCommandStandsInTheReferenceAsItIs() throws IOException {
        var made = made();
        if (Boolean.getBoolean("choir.keep-document")) {
            Files.writeString(KEPT, made);
        }
        assertThat(Files.readString(KEPT)).isEqualTo(made);
    }

    @Test
    void everyCommandAndOptionSaysWhatItDoes() {
        describe("choir", Main.whole(new Home(Map.of())), (name, line) -> {
            assertThat(line.getCommandSpec().usageMessage().description())
                    .as(name)
                    .isNotEmpty();
            line.getCommandSpec().options().stream()
                    .filter(o -> !o.hidden())
                    .forEach(o -> assertThat(o.description())
                            .as("%s %s", name, o.longestName())
                            .isNotEmpty());
        });
    }

    /** A word is one of the forms or refused, and programs have both of theirs wherever there are forms. */
    @Test
    void whatIsShownInFormsIsShownInAllOfThem() {
        Set<String> formed = new TreeSet<>();
        describe("choir", Main.whole(new Home(Map.of())), (name, line) -> {
            var format = line.getCommandSpec().findOption("--format");
            if (format != null) {
                formed.add(name);
                assertThat(format.type().isEnum()).as(name).isTrue();
                assertThat(Arrays.stream(format.type().getEnumConstants()).map(Object::toString))
                        .as(name)
                        .contains("table", "json", "csv");
            }
        });
        describe("choir", Main.whole(new Home(Map.of())), (name, line) -> {
            if (name.matches(".* (list|show|history|compare|timeline|calendar|now|find|suggest)")
                    && line.getSubcommands().isEmpty()) {
                assertThat(formed).contains(name);
            }
        });
        assertThat(formed).hasSizeGreaterThan(45);
    }

    private interface Each {
        void take(String name, CommandLine line);
    }

    private static void describe(String name, CommandLine line, Each each) {
        if (line.getCommandSpec().usageMessage().hidden()) {
            return;
        }
        each.take(name, line);
        new TreeMap<>(line.getSubcommands()).forEach((word, command) -> describe(name + " " + word, command, each));
    }

    private static String made() {
        var text = new StringBuilder("""
                # Commands

                Made from the commands themselves; `choir help NOUN VERB` says the same, and `choir sh` takes them one after the
                other. Exit codes: 0 done, 1 failed, 2 wrong usage, 3 something found, 4 not allowed, 5 not reachable.
                """);
        describe("choir", Main.whole(new Home(Map.of())), (name, line) -> add(name, line, text));
        return text.toString();
    }

    private static void add(String name, CommandLine line, StringBuilder text) {
        var usage = line.getCommandSpec().usageMessage();
        boolean noun = !line.getSubcommands().isEmpty();
        text.append('\n').append(noun ? "## " : "### ").append(name).append("\n\n");
        text.append(String.join(" ", usage.description())).append('\n');
        if (noun) {
            return;
        }
        var synopsis = new StringBuilder(name);
        line.getCommandSpec()
                .positionalParameters()
                .forEach(p -> synopsis.append(' ')
                        .append(p.required() ? p.paramLabel() : "[" + p.paramLabel() + "]")
                        .append(p.arity().max() > 1 ? " …" : ""));
        text.append("\n    ").append(synopsis).append('\n');
        var options = line.getCommandSpec().options().stream()
                .filter(o -> !o.hidden() && !o.usageHelp())
                .sorted((a, b) -> a.longestName().compareTo(b.longestName()))
                .toList();
        if (!options.isEmpty()) {
            text.append("\n| | |\n|-|-|\n");
            options.forEach(o -> text.append("| `")
                    .append(o.longestName())
                    .append(value(o))
                    .append("` | ")
                    .append(plain(String.join(" ", o.description())))
                    .append(" |\n"));
        }
        if (usage.footer().length > 0) {
            text.append('\n').append(plain(String.join(" ", usage.footer()))).append('\n');
        }
    }

    private static String value(OptionSpec option) {
        return option.arity().max() == 0 ? "" : "=" + option.paramLabel().replaceAll("[<>]", "");
    }

    private static String plain(String text) {
        return Ansi.OFF.string(text).replace("|", "\\|");
    }
}
