package choir.story;

import static org.assertj.core.api.Assertions.assertThat;

import choir.fleet.Node;
import choir.fleet.Selection;
import java.io.IOException;
import java.net.URLEncoder;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.random.RandomGeneratorFactory;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.MappingIterator;
import tools.jackson.dataformat.csv.CsvMapper;
import tools.jackson.dataformat.csv.CsvSchema;

/**
 * Words that a recorder and people may choose, from the simulated recorder through the service, the client, a
 * spreadsheet and a policy folder to the console, and back.
 */
class OddWordsTest {
    private static final List<String> CHOSEN = List.of(
            "a b",
            "a:b/c",
            "fleet/yard",
            "Feast | Easter",
            "A^B",
            "\"quoted\" 'too'",
            "back\\slash",
            "{brace}",
            "<a href=\"x\">&amp;</a>",
            "--- # yaml: [1]",
            "=1+1",
            "-x",
            "a,b;c",
            "*?",
            "~tilde",
            " led and trailed ",
            "..",
            "%2F%00",
            "Tür",
            "\u202Eright to left\u202C",
            "\u05D0\u05D1 \u0627\u0644",
            "\uD83D\uDEA2 ship",
            "e\u0301 combining",
            "x".repeat(64));
    private static final List<String> TOKENS = tokens();
    private static Ensemble choir;

    /** The chosen ones, and as many made of any characters that XML can tell. */
    private static List<String> tokens() {
        var random = RandomGeneratorFactory.of("L64X128MixRandom").create(11);
        var tokens = new ArrayList<>(CHOSEN);
        while (tokens.size() < 2 * CHOSEN.size()) {
            var token = new StringBuilder("t");
            int length = 1 + random.nextInt(30);
            while (token.length() < length) {
                int c = random.nextInt(0x20, random.nextBoolean() ? 0x250 : 0x1F700);
                boolean told = c < Character.MIN_SURROGATE || c > Character.MAX_SURROGATE && c != 0xFFFE && c != 0xFFFF;
                if (told) {
                    token.appendCodePoint(c);
                }
            }
            tokens.add(token.append('.').toString());
        }
        return List.copyOf(tokens);
    }

    @BeforeAll
    static void start() {
        choir = new Ensemble();
        choir.recorder("odd-1", "tern", TOKENS);
        choir.load("template: house\nmotion: {sensitivity: 70}\n---\ngroup: fleet\nuse: [house]\n");
    }

    @AfterAll
    static void stop() {
        choir.close();
    }

    @Test
    void everyChannelIsReadAsItIsCalled() {
        var channels = new HashSet<String>();
        choir.get("/api/v1/cameras?limit=1000")
                .body()
                .path("items")
                .forEach(c -> channels.add(c.path("channel").asString()));
        assertThat(channels).containsExactlyInAnyOrderElementsOf(TOKENS);
    }

    @Test
    void theClientShowsAndSpeaksToEachAndControlsNoTerminal() {
        for (var token : TOKENS) {
            var name = "odd-1/" + token;
            var shown = choir.choir(0, "camera", "show", "--", name).out();
            assertThat(shown.codePoints().filter(c -> c != '\n' && Character.isISOControl(c)))
                    .as(token)
                    .isEmpty();
            choir.choir(0, "set", "--because", "why: " + token, "--", name, "motion.threshold=2%");
            assertThat(choir.choir(0, "explain", "--", name).out()).contains("2%");
            var select = Selection.of(List.of(Node.Camera.parse(name)));
            assertThat(choir.get("/api/v1/cameras?select=" + URLEncoder.encode(select, StandardCharsets.UTF_8))
                            .body()
                            .path("total")
                            .asInt())
                    .as(select)
                    .isOne();
        }
    }

    @Test
    void aSpreadsheetHoldsEachOnceAndPutsItBack() throws IOException {
        var exported = choir.choir(0, "camera", "export").out();
        var found = new ArrayList<String>();
        try (MappingIterator<Map<String, String>> rows = CsvMapper.builder()
                .build()
                .readerForMapOf(String.class)
                .with(CsvSchema.emptySchema().withHeader())
                .readValues(exported)) {
            rows.forEachRemaining(r -> found.add(r.get("camera")));
        }
        assertThat(found)
                .containsExactlyInAnyOrderElementsOf(
                        TOKENS.stream().map(t -> "odd-1/" + t).toList());
        var file = Files.writeString(choir.folder().resolve("cameras.csv"), exported);
        var before = choir.everythingStored()
                .lines()
                .filter(l -> l.startsWith("camera|"))
                .toList();
        choir.choir(0, "camera", "import", file.toString());
        assertThat(choir.everythingStored()
                        .lines()
                        .filter(l -> l.startsWith("camera|"))
                        .toList())
                .isEqualTo(before);
    }

    @Test
    void aPolicyFolderHoldsWhatIsSaidOfEachAndChangesNothingWhenItIsLoaded() {
        for (var token : TOKENS) {
            choir.choir(
                    0,
                    "set",
                    "--because",
                    "because of \"" + token + "\"",
                    "--",
                    "odd-1/" + token,
                    "motion.sensitivity=33");
        }
        var folder = choir.folder().resolve("policy").toString();
        choir.choir(0, "policy", "save", folder);
        var stored = choir.get("/api/v1/policy").body();
        assertThat(choir.choir(0, "policy", "load", folder, "--yes", "--prune").out())
                .contains("nothing");
        assertThat(choir.get("/api/v1/policy").body()).isEqualTo(stored);
    }

    @Test
    void theConsoleListsThemAndOpensEach() {
        try (var browser = new Browser(choir)) {
            browser.signIn();
            browser.open("/fleet");
            browser.see("All " + TOKENS.size() + " cameras");
            for (var token : CHOSEN) {
                var camera = Node.Camera.parse("odd-1/" + token);
                browser.open("/cameras/odd-1/" + camera.channelSegment());
                browser.see("What is asked, where from, and what the recorder holds");
                browser.awaitTrue("document.querySelector('dd.native')?.textContent === "
                        + Ensemble.JSON.writeValueAsString("odd-1/" + token));
            }
        }
    }

    @Test
    void whatPeopleWriteIsKeptAsTheyWroteIt() {
        for (var word : CHOSEN) {
            var title = "title " + word;
            var text = "template: odd\ntitle: " + Ensemble.JSON.writeValueAsString(title)
                    + "\nmotion: {sensitivity: 70}\n";
            choir.load(text);
            var kept = choir.get("/api/v1/templates").body();
            assertThat(kept.values().stream().map(t -> t.path("title").asString("")))
                    .as(kept.toString())
                    .contains(title);
            var at = "/api/v1/cameras/odd-1/"
                    + Node.Camera.parse("odd-1/" + TOKENS.getFirst()).channelSegment();
            var placed = choir.write("PUT", at + "/placing", Map.of("tags", List.of(word)), "If-Match", "*");
            if (placed.status() < 300) {
                assertThat(choir.get(at).body().path("row").path("tags").path(0).asString())
                        .isEqualTo(word);
            } else {
                assertThat(placed.status()).as(word).isBetween(400, 422);
                assertThat(placed.detail()).as(word).contains("tag");
            }
        }
    }
}
