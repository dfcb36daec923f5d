package choir.story;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.HashMap;
import java.util.Map;
import java.util.Random;
import java.util.regex.Pattern;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;

/**
 * The service is killed hard at a random moment of a rollout and started again; {@code -Dchoir.kills} says how often. At
 * whatever moment that was, the journal and the recorders agree afterwards.
 */
class CrashTest {
    private static final int KILLS = Integer.getInteger("choir.kills", 3);
    private static final int CAMERAS = 6;
    private static final String LEFT = """
            SELECT group_concat(n || ' ' || lower(state), ', ')
            FROM (SELECT state, count(*) AS n FROM rollout_step WHERE rollout = %d GROUP BY state)
            """;
    private static final Pattern PANEL = Pattern.compile("(?m)^(\\d\\d) .* sensitivity (\\d+)\\b.*$");

    private Ensemble choir;

    @BeforeEach
    void start() {
        choir = Ensemble.apart();
        for (var recorder : new String[] {"haldr-1", "haldr-2"}) {
            choir.recorder(recorder, "tern", CAMERAS);
            choir.panel(recorder + "?fault=SLOW&delay=PT0.02S");
        }
        choir.load("template: house\nmotion: {sensitivity: 50}\n---\ngroup: fleet\nuse: [house]\n");
    }

    @AfterEach
    void stop() {
        choir.close();
    }

    @Test
    void whereverItIsKilledTheJournalAndTheRecordersAgreeAfterwards() throws InterruptedException {
        long seed = Long.getLong("choir.seed", System.nanoTime());
        var random = new Random(seed);
        for (int kill = 1; kill <= KILLS; kill++) {
            choir.load("template: house\nmotion: {sensitivity: " + (1 + random.nextInt(99)) + ", threshold: 0."
                    + (1 + random.nextInt(9)) + "%}\nrecording: {before-event: " + (1 + random.nextInt(29)) + "s}\n");
            var started = choir.startRollout("", 4, 100);
            long id = started.body().path("id").asLong();
            int moment = random.nextInt(2_500);
            Thread.sleep(moment);
            var left = choir.killAndStartAgain(LEFT.formatted(id));
            var when = "kill " + kill + " of seed " + seed + " after " + moment + " ms left " + left;
            System.out.println(when);
            // The stream of events ends with the work.
            choir.exchange(
                    choir.request("/api/v1/works/" + id + "/progress").GET().build());
            agree(choir.get("/api/v1/rollouts/" + id).body(), when);
        }
    }

    private void agree(JsonNode rollout, String when) {
        assertThat(rollout.path("work").path("state").asString("")).as(when).isIn("done", "partly", "stopped");
        Map<String, String> held = new HashMap<>();
        for (var recorder : new String[] {"haldr-1", "haldr-2"}) {
            PANEL.matcher(choir.panel(recorder))
                    .results()
                    .forEach(m -> held.put(recorder + "/" + m.group(1), m.group(2)));
        }
        assertThat(held).hasSize(2 * CAMERAS);
        for (var step : rollout.path("steps")) {
            var camera = step.path("camera").asString("");
            // What was half written when the kill came is told as such; everything else was given out in the end.
            assertThat(step.path("state").asString("")).as("%s: %s", when, step).isIn("verified", "mismatched");
            step.path("changes").forEach(change -> {
                if (change.path("key").asString("").equals("motion.sensitivity")
                        && step.path("state").asString("").equals("verified")) {
                    assertThat(held.get(camera))
                            .as("%s: %s", when, step)
                            .isEqualTo(change.path("after").asString(""));
                }
            });
        }
        if (rollout.toString().contains("\"mismatched\"")) {
            choir.giveOut("");
        }
        choir.audit();
        assertThat(choir.openSentences()).as(when).isEmpty();
    }
}
