package choir.story;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.regex.Pattern;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/**
 * The guide is true: its commands are run page after page on one service. In a box {@code choir} each line that begins with
 * that word is a command, the lines under it are words of its output in their order, and a remark names its exit code when
 * that is not 0. A box {@code file NAME} is a file; a box {@code panel} is what somebody does at a recorder.
 */
class GuideTest {
    private static final Path GUIDE = Path.of("../docs/guide");
    private static final Pattern BOX = Pattern.compile("(?ms)^```(\\w+) ?([^\\n]*)\\n(.*?)^```$");
    private static final Pattern WORD = Pattern.compile("\"([^\"]*)\"|(\\S+)");
    private static final Pattern CODES = Pattern.compile("# exits with ([0-9 or]+)$");

    private static Ensemble choir;
    private static Map<String, String> names;

    @BeforeAll
    static void start() throws IOException {
        choir = new Ensemble();
        names = Map.of(
                "$HALDR_1", played("haldr-1", "tern", 4),
                "$YARD_1", played("yard-1", "petrel", 2),
                "$BRANNICK_1", played("brannick-1", "tern", 2),
                "$FOLDER", choir.folder().toString());
    }

    private static String played(String name, String make, int cameras) throws IOException {
        Files.writeString(choir.folder().resolve(name + ".password"), "secret-of-" + name + "\n");
        return choir.played(name, make, cameras);
    }

    @AfterAll
    static void stop() {
        choir.close();
    }

    @ParameterizedTest
    @ValueSource(
            strings = {
                "1-begin",
                "2-say",
                "3-give-out",
                "4-watch",
                "5-footage",
                "6-people",
                "7-bad-day",
                "how-to-second-terminal",
                "how-to-holidays",
                "how-to-new-make",
                "how-to-auditor"
            })
    void whatAPageSaysIsSo(String page) throws IOException {
        var boxes = BOX.matcher(Files.readString(GUIDE.resolve(page + ".md")));
        int found = 0;
        while (boxes.find()) {
            found++;
            switch (boxes.group(1)) {
                case "choir" -> run(page, boxes.group(3).lines().toList());
                case "file" -> Files.writeString(choir.folder().resolve(boxes.group(2)), boxes.group(3));
                case "panel" -> choir.panel(boxes.group(2));
                default -> throw new AssertionError(page + ": a box of no known kind: " + boxes.group(1));
            }
        }
        assertThat(found).as(page).isPositive();
    }

    @Test
    void everyPageIsListedAndRun() throws IOException {
        var run = Arrays.stream(GuideTest.class.getDeclaredMethods())
                .flatMap(m -> Arrays.stream(m.getAnnotationsByType(ValueSource.class)))
                .flatMap(v -> Arrays.stream(v.strings()))
                .toList();
        var index = Files.readString(GUIDE.resolve("README.md"));
        try (var files = Files.list(GUIDE)) {
            assertThat(files.map(f -> f.getFileName().toString())
                            .filter(f -> f.endsWith(".md") && !f.equals("README.md"))
                            .toList())
                    .contains("words.md")
                    .allSatisfy(f -> {
                        assertThat(index).contains("(" + f + ")");
                        // The words are no work, and have no commands.
                        assertThat(f.equals("words.md") || run.contains(f.replace(".md", "")))
                                .as(f)
                                .isTrue();
                    });
        }
    }

    private static void run(String page, List<String> lines) {
        for (int i = 0; i < lines.size(); ) {
            var command = lines.get(i++);
            assertThat(command).as(page).startsWith("choir ");
            List<String> wanted = new ArrayList<>();
            while (i < lines.size() && !lines.get(i).startsWith("choir ")) {
                wanted.add(lines.get(i++));
            }
            var codes = CODES.matcher(command);
            var allowed = codes.find() ? List.of(codes.group(1).split(" or ")) : List.of("0");
            var said = choir.choir(words(command.replaceFirst(" +# .*$", "")));
            assertThat(allowed)
                    .as("%s: %s%n%s%s", page, command, said.out(), said.errors())
                    .contains(Integer.toString(said.exitCode()));
            for (var words : wanted) {
                var pattern = Arrays.stream(words.strip().split(" *… *"))
                        .map(part -> Arrays.stream(part.strip().split("\\s+"))
                                .map(Pattern::quote)
                                .reduce((a, b) -> a + "\\s+" + b)
                                .orElse(""))
                        .reduce((a, b) -> a + "[^\\n]*" + b)
                        .orElse("");
                assertThat(said.out()).as("%s: %s", page, command).containsPattern(pattern);
            }
        }
    }

    private static String[] words(String command) {
        List<String> words = new ArrayList<>();
        var word = WORD.matcher(command.substring("choir ".length()));
        while (word.find()) {
            var text = word.group(1) != null ? word.group(1) : word.group(2);
            for (var name : names.entrySet()) {
                text = text.replace(name.getKey(), name.getValue());
            }
            words.add(text);
        }
        return words.toArray(String[]::new);
    }
}
