package choir.story;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import java.util.regex.Pattern;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import tools.jackson.databind.JsonNode;

/** Recorders that go away in the middle of a rollout, on the wire: nothing is lost, nothing is written twice. */
class RestartsTest {
    private static final int CAMERAS = 4;
    private static final Pattern WRITES = Pattern.compile("writes (\\d+)");
    private static Ensemble choir;
    private static int recorders;
    private String name;

    @BeforeAll
    static void start() {
        choir = Ensemble.apart();
        choir.load("template: house\nmotion: {sensitivity: 70}\nrecording: {before-event: 6s, keep-at-most: 20d}\n---\n"
                + "group: fleet\nuse: [house]\n");
    }

    @AfterAll
    static void stop() {
        choir.close();
    }

    @BeforeEach
    void recorder() {
        name = "haldr-" + ++recorders;
        choir.recorder(name, "tern", CAMERAS);
    }

    private JsonNode started(String patience, String... fault) {
        var preview = choir.post("/api/v1/previews", Map.of("select", "recorder:" + name));
        for (var knobs : fault) {
            choir.panel(name + "?" + knobs);
        }
        return choir.post(
                        "/api/v1/rollouts",
                        Map.of(
                                "preview",
                                preview.body().path("id").asLong(),
                                "waves",
                                List.of("100"),
                                "patience",
                                patience))
                .body();
    }

    private JsonNode ended(JsonNode started) {
        long id = started.path("id").asLong();
        choir.exchange(choir.request("/api/v1/works/" + id + "/progress").GET().build());
        return rollout(id);
    }

    private static JsonNode rollout(long id) {
        return choir.get("/api/v1/rollouts/" + id).body();
    }

    private static Map<String, Integer> counts(JsonNode rollout) {
        Map<String, Integer> counts = new TreeMap<>();
        rollout.path("counts")
                .properties()
                .forEach(e -> counts.put(e.getKey(), e.getValue().asInt()));
        return counts;
    }

    private int writes() {
        var match = WRITES.matcher(choir.panel(name));
        assertThat(match.find()).isTrue();
        return Integer.parseInt(match.group(1));
    }

    private java.util.List<String> findings() {
        choir.finish(choir.post("/api/v1/audits", Map.of("select", "recorder:" + name)));
        return choir.openSentences().stream().filter(s -> s.startsWith(name)).toList();
    }

    /** The restart meets each kind of call. */
    @ParameterizedTest
    @CsvSource({"1, false", "1, true", "2, false", "2, true", "3, true", "8, false", "8, true"})
    void aRestartInTheMiddleOfAWriteIsOutlived(int write, boolean takes) {
        int before = writes();
        var rollout = ended(started("PT1M", "restart=" + write + "&takes=" + takes + "&away=PT1S"));
        int first = writes() - before;
        var counts = counts(rollout);
        // The camera in whose middle it came is settled by what it holds; all others were written whole.
        assertThat(counts.getOrDefault("verified", 0) + counts.getOrDefault("mismatched", 0))
                .as(rollout.toString())
                .isEqualTo(CAMERAS);
        assertThat(counts.getOrDefault("mismatched", 0)).as(rollout.toString()).isLessThanOrEqualTo(1);
        if (counts.containsKey("mismatched")) {
            // What is left is given out by another preview, and no call is made twice but the one without an answer.
            choir.giveOut("recorder:" + name);
        }
        assertThat(writes() - before).as("%d in the first", first).isLessThanOrEqualTo(whole() + 1);
        assertThat(findings()).isEmpty();
    }

    /** How many calls a rollout takes when nothing is in its way. */
    private int whole() {
        var tried = name;
        recorder();
        int before = writes();
        choir.giveOut("recorder:" + name);
        int whole = writes() - before;
        name = tried;
        return whole;
    }

    @Test
    void whatWasNeverSentIsNotSaidNotToHaveTaken() {
        var rollout = ended(started("PT1M", "restart=1&takes=false&away=PT1S"));
        var first = rollout.path("steps").path(0);
        assertThat(first.path("state").asString()).isEqualTo("mismatched");
        assertThat(first.path("detail").asString())
                .contains("was not sent")
                .contains("did not take")
                .contains(name + " cannot be reached");
        assertThat(findings()).filteredOn(s -> s.contains("did not take")).hasSize(1);
        assertThat(findings()).filteredOn(s -> s.contains("never")).hasSize(2);
    }

    @Test
    void atTheDeadlineWhatMayHaveGoneOutIsUnsettledAndTheNextAuditSettlesIt() {
        var rollout = ended(started("PT0S", "restart=" + (whole() / CAMERAS + 1) + "&takes=true&away=PT20S"));
        assertThat(counts(rollout)).containsEntry("failed", 2).containsEntry("unsettled", 2);
        assertThat(rollout.path("work").path("note").asString()).contains("the next reading of their recorders");
        long id = rollout.path("work").path("id").asLong();
        var asked = choir.choir("rollout", "undo", Long.toString(id));
        assertThat(asked.exitCode()).isEqualTo(1);
        assertThat(asked.errors()).contains("say --yes");
        choir.panel(name + "?fault=NONE");
        findings();
        assertThat(counts(rollout(id)))
                .doesNotContainKey("unsettled")
                .containsEntry("verified", 1)
                .containsEntry("mismatched", 1);
        assertThat(choir.choir("rollout", "undo", Long.toString(id), "--yes").out())
                .contains("all 2 verified");
        assertThat(choir.panel(name)).doesNotContain("sensitivity 70");
    }

    @ParameterizedTest
    @CsvSource({"CUT_OFF", "GARBAGE", "AWAY", "'SLOW,CUT_OFF'"})
    void aFaultThatPassesCostsNothing(String fault) {
        var rollout = ended(started("PT1M", "delay=PT0.05S&for=PT1.5S&fault=" + fault.replace(",", "%2C")));
        assertThat(counts(rollout)).as(rollout.toString()).isEqualTo(Map.of("verified", CAMERAS));
    }

    @Test
    void aRefusalIsAnAnswerAndIsNotTriedAgain() {
        var rollout = ended(started("PT1M", "fault=REFUSES"));
        assertThat(counts(rollout)).isEqualTo(Map.of("failed", CAMERAS));
        assertThat(rollout.path("steps").path(0).path("detail").asString())
                .startsWith("nothing was changed: " + name + " refused");
    }
}
