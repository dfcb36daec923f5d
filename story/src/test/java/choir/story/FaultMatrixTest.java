package choir.story;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Collections;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.TreeMap;
import java.util.TreeSet;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;

/**
 * Every fault of the simulator, alone and in pairs, while a recorder is read, audited, given policy, and while that is
 * undone, beside a neighbour that is well. {@code -Dchoir.matrix=all} plays all pairs, else a few by chance; with
 * {@code -Dchoir.keep-document=true} what came of them is written down.
 */
class FaultMatrixTest {
    private static final int CAMERAS = 2;
    private static final int SOME_PAIRS = 2;
    private static final boolean ALL = "all".equals(System.getProperty("choir.matrix"));
    private static final Path DOCUMENT = Path.of("../docs/fault-matrix.md");
    private static final Pattern WRITES = Pattern.compile("writes (\\d+)");
    private static final Pattern HELD = Pattern.compile("(?m)^(\\d\\d) .* sensitivity (\\d+)\\b.*$");
    /** What the front panel is told for each; a restart comes at the second write. */
    private static final Map<String, String> FAULTS = faults();

    private Ensemble choir;
    private int sensitivity = 10;

    private static Map<String, String> faults() {
        Map<String, String> faults = new LinkedHashMap<>();
        faults.put("away", "AWAY");
        faults.put("slow", "SLOW");
        faults.put("wrong password", "WRONG_PASSWORD");
        faults.put("garbage", "GARBAGE");
        faults.put("cut off", "CUT_OFF");
        faults.put("endless", "ENDLESS");
        faults.put("forgets", "FORGETS");
        faults.put("refuses", "REFUSES");
        faults.put("restarts, value lost", "restart=2&takes=false&away=PT0.3S");
        faults.put("restarts, value kept", "restart=2&takes=true&away=PT0.3S");
        return faults;
    }

    @BeforeEach
    void start() {
        choir = new Ensemble();
        choir.recorder("odd-1", "tern", CAMERAS);
        choir.recorder("well-1", "tern", CAMERAS);
        choir.panel("odd-1?delay=PT0.03S");
        choir.load("template: house\nmotion: {sensitivity: 10}\n---\ngroup: fleet\nuse: [house]\n");
        choir.giveOut("");
    }

    @AfterEach
    void stop() {
        choir.close();
    }

    private static List<List<String>> combinations(Random random) {
        List<List<String>> all = new ArrayList<>();
        var names = List.copyOf(FAULTS.keySet());
        names.forEach(n -> all.add(List.of(n)));
        List<List<String>> pairs = new ArrayList<>();
        for (int i = 0; i < names.size(); i++) {
            for (int j = i + 1; j < names.size(); j++) {
                // One recorder restarts once at a time.
                if (!(names.get(i).startsWith("restarts") && names.get(j).startsWith("restarts"))) {
                    pairs.add(List.of(names.get(i), names.get(j)));
                }
            }
        }
        Collections.shuffle(pairs, random);
        all.addAll(ALL ? pairs : pairs.subList(0, SOME_PAIRS));
        return all;
    }

    @Test
    void whateverARecorderDoesNothingIsLostAndNothingIsCalledWellThatWasNotSeen() throws IOException {
        long seed = Long.getLong("choir.seed", 88_001);
        Map<String, List<String>> rows = new TreeMap<>();
        for (var faults : combinations(new Random(seed))) {
            var name = String.join(" and ", faults);
            var words = List.of(
                    looked("/api/v1/readings", faults),
                    looked("/api/v1/audits", faults),
                    givenOut(faults),
                    undone(faults));
            rows.put((faults.size() == 1 ? "1" : "2") + name, words);
            System.out.println(name + ": " + words + " (seed " + seed + ")");
        }
        if (ALL && Boolean.getBoolean("choir.keep-document")) {
            Files.writeString(DOCUMENT, document(rows));
        }
    }

    /** The odd one is not read, or is; the neighbour always is. */
    private String looked(String path, List<String> faults) {
        misbehave(faults);
        var work = choir.finish(choir.post(path, Map.of()));
        var unknown = states("unknown");
        boolean read = unknown.isEmpty();
        assertThat(unknown).as("%s", faults).isSubsetOf("odd-1/01", "odd-1/02");
        assertThat(states("in-tune")).as("%s", faults).contains("well-1/01", "well-1/02");
        // What was not seen is not well.
        assertThat(Collections.disjoint(states("in-tune"), unknown))
                .as("%s", faults)
                .isTrue();
        if (!read) {
            assertThat(work.path("state").asString()).as("%s", faults).isEqualTo("partly");
            if (path.endsWith("audits")) {
                assertThat(choir.openSentences())
                        .as("%s", faults)
                        .singleElement()
                        .asString()
                        .startsWith("odd-1: The recorder could not be read: odd-1");
            }
        }
        behave();
        choir.audit();
        assertThat(choir.openSentences()).as("%s", faults).isEmpty();
        return read ? "read" : "not read";
    }

    private java.util.Set<String> states(String state) {
        return choir.get("/api/v1/cameras?select=state:" + state).body().path("items").values().stream()
                .map(c -> c.path("camera").asString())
                .collect(Collectors.toCollection(TreeSet::new));
    }

    private String givenOut(List<String> faults) {
        sensitivity = sensitivity % 90 + 1;
        choir.load("template: house\nmotion: {sensitivity: " + sensitivity + "}\n");
        long preview = choir.post("/api/v1/previews", Map.of("select", ""))
                .body()
                .path("id")
                .asLong();
        misbehave(faults);
        return settled(
                faults,
                choir.post(
                        "/api/v1/rollouts",
                        Map.of(
                                "preview",
                                preview,
                                "waves",
                                List.of("9"),
                                "maxFailedPercent",
                                100,
                                "patience",
                                "PT0.8S")));
    }

    private String undone(List<String> faults) {
        sensitivity = sensitivity % 90 + 1;
        choir.load("template: house\nmotion: {sensitivity: " + sensitivity + "}\n");
        var done = choir.giveOut("");
        misbehave(faults);
        return settled(
                faults,
                choir.post(
                        "/api/v1/rollouts/" + done.path("id").asLong() + "/undo",
                        Map.of("waves", List.of("9"), "maxFailedPercent", 100, "patience", "PT0.8S")));
    }

    /** What became of the steps, once the recorder can be read again. */
    private String settled(List<String> faults, Ensemble.Answer started) {
        int writes = writes();
        var work = choir.finish(started);
        behave();
        choir.finish(choir.post("/api/v1/readings", Map.of("recorders", List.of("odd-1"))));
        var steps =
                choir.get("/api/v1/rollouts/" + work.path("id").asLong()).body().path("steps");
        Map<String, Integer> odd = new TreeMap<>();
        var held = held();
        for (var step : steps) {
            var state = step.path("state").asString();
            var camera = step.path("camera").asString();
            assertThat(state).as("%s: %s", faults, step).isIn("verified", "mismatched", "failed", "skipped");
            var change = step.path("changes").path(0);
            var value = held.get(camera);
            switch (state) {
                case "verified" ->
                    assertThat(value)
                            .as("%s: %s", faults, step)
                            .isEqualTo(change.path("after").asString());
                default -> {
                    assertThat(value)
                            .as("%s: %s", faults, step)
                            .isEqualTo(change.path("before").asString());
                    assertThat(step.path("detail").asString())
                            .as("%s: %s", faults, step)
                            .isNotBlank();
                }
            }
            if (camera.startsWith("well-1")) {
                assertThat(state).as("%s: %s", faults, step).isEqualTo("verified");
            } else {
                odd.merge(state, 1, Integer::sum);
            }
        }
        assertThat(odd.values().stream().mapToInt(i -> i).sum()).isEqualTo(CAMERAS);
        int sent = writes() - writes;
        // One call for each camera, and one more where a restart made it know that nothing had taken effect.
        assertThat(sent).as("%s: writes", faults).isLessThanOrEqualTo(CAMERAS + (restarts(faults) ? 1 : 0));
        if (!states("waiting").isEmpty() || !states("drifted").isEmpty()) {
            choir.giveOut("");
        }
        choir.audit();
        assertThat(choir.openSentences()).as("%s", faults).isEmpty();
        return odd.entrySet().stream().map(e -> e.getValue() + " " + e.getKey()).collect(Collectors.joining(", "));
    }

    private static boolean restarts(List<String> faults) {
        return faults.stream().anyMatch(f -> f.startsWith("restarts"));
    }

    private Map<String, String> held() {
        Map<String, String> held = new HashMap<>();
        for (var recorder : List.of("odd-1", "well-1")) {
            HELD.matcher(choir.panel(recorder))
                    .results()
                    .forEach(m -> held.put(recorder + "/" + m.group(1), m.group(2)));
        }
        return held;
    }

    private int writes() {
        var match = WRITES.matcher(choir.panel("odd-1"));
        assertThat(match.find()).isTrue();
        return Integer.parseInt(match.group(1));
    }

    private void misbehave(List<String> faults) {
        var lasting = faults.stream()
                .map(FAULTS::get)
                .filter(f -> !f.startsWith("restart"))
                .collect(Collectors.joining(","));
        if (!lasting.isEmpty()) {
            choir.panel("odd-1?fault=" + lasting);
        }
        faults.stream().map(FAULTS::get).filter(f -> f.startsWith("restart")).forEach(f -> choir.panel("odd-1?" + f));
    }

    /** A restart that did not come is taken back as well. */
    private void behave() {
        choir.panel("odd-1?fault=NONE&restart=1000000");
    }

    private static String document(Map<String, List<String>> rows) {
        var text = new StringBuilder("""
                # Fault matrix

                Made by `FaultMatrixTest` (`-Dchoir.matrix=all -Dchoir.keep-document=true`). A recorder of two cameras plays each fault,
                alone and in pairs, while it is read, audited, given policy, and while that is undone, beside a neighbour that is well.
                What stands here became of it once it could be read again. Each time it was seen that every step is settled with a
                reason; that the journal says what the recorder holds; that no value was written twice; that nothing was called well
                while it could not be seen; that the neighbour was read and written as if nothing were wrong; and that giving out and
                auditing afterwards leave no finding.

                | fault | reading | audit | rollout | undo |
                | --- | --- | --- | --- | --- |
                """);
        rows.forEach((name, words) -> text.append("| ")
                .append(name.substring(1))
                .append(" | ")
                .append(String.join(" | ", words))
                .append(" |\n"));
        return text.toString();
    }
}
