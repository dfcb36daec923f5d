package choir.story;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.ArrayList;
import java.util.Collections;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.TreeMap;
import java.util.regex.Pattern;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;

/**
 * The service is killed hard at a random moment of a rollout over many recorders, of which some misbehave meanwhile, and is
 * started again; {@code -Dchoir.kills} says how often. At whatever moment that was, the journal and the recorders agree
 * afterwards.
 */
class CrashTest {
    private static final int KILLS = Integer.getInteger("choir.kills", 1);
    private static final int RECORDERS = 20;
    private static final int CAMERAS = 2;
    private static final int ODD = 4;
    private static final String LEFT = """
            SELECT group_concat(n || ' ' || lower(state), ', ')
            FROM (SELECT state, count(*) AS n FROM rollout_step WHERE rollout = %d GROUP BY state)
            """;
    private static final Pattern PANEL = Pattern.compile("(?m)^(\\d\\d) .* sensitivity (\\d+)\\b.*$");

    private Ensemble choir;
    private final List<String> recorders = new ArrayList<>();

    @BeforeEach
    void start() {
        choir = Ensemble.apart();
        for (int i = 1; i <= RECORDERS; i++) {
            var name = "haldr-" + i;
            recorders.add(name);
            choir.recorder(name, "tern", CAMERAS);
        }
        choir.load("template: house\nmotion: {sensitivity: 50}\n---\ngroup: fleet\nuse: [house]\n");
    }

    @AfterEach
    void stop() {
        choir.close();
    }

    /** What goes wrong at the odd ones of a round: away when the service comes back, cut off, or a restart in mid-write. */
    private String fault(Random random) {
        return switch (random.nextInt(4)) {
            case 0 -> "fault=AWAY&for=PT%d.%dS".formatted(random.nextInt(6), random.nextInt(10));
            case 1 -> "fault=CUT_OFF&for=PT%d.%dS".formatted(random.nextInt(3), random.nextInt(10));
            case 2 -> "restart=" + (1 + random.nextInt(6)) + "&takes=true&away=PT1.5S";
            default -> "restart=" + (1 + random.nextInt(6)) + "&takes=false&away=PT1.5S";
        };
    }

    @Test
    void whereverItIsKilledTheJournalAndTheRecordersAgreeAfterwards() throws InterruptedException {
        long seed = Long.getLong("choir.seed", 88_001);
        var random = new Random(seed);
        for (int kill = 1; kill <= KILLS; kill++) {
            recorders.forEach(r -> choir.panel(r + "?delay=PT0.02S&fault=SLOW"));
            choir.load("template: house\nmotion: {sensitivity: " + (1 + random.nextInt(99)) + ", threshold: 0."
                    + (1 + random.nextInt(9)) + "%}\nrecording: {before-event: " + (1 + random.nextInt(29)) + "s}\n");
            var started = choir.startRollout("", 4, 100, "PT30S");
            long id = started.body().path("id").asLong();
            var odd = new ArrayList<>(recorders);
            Collections.shuffle(odd, random);
            Map<String, String> faults = new TreeMap<>();
            odd.subList(0, ODD).forEach(r -> faults.put(r, fault(random)));
            faults.forEach((recorder, fault) -> choir.panel(recorder + "?" + fault));
            int moment = random.nextInt(6_000);
            Thread.sleep(moment);
            var left = choir.killAndStartAgain(LEFT.formatted(id));
            var when = "kill " + kill + " of seed " + seed + " after " + moment + " ms left " + left + "; " + faults;
            System.out.println(when);
            // The stream of events ends with the work.
            choir.exchange(
                    choir.request("/api/v1/works/" + id + "/progress").GET().build());
            recorders.forEach(r -> choir.panel(r + "?fault=NONE&restart=1000000"));
            choir.finish(choir.post("/api/v1/readings", Map.of()));
            agree(choir.get("/api/v1/rollouts/" + id).body(), when);
        }
    }

    private void agree(JsonNode rollout, String when) {
        assertThat(rollout.path("work").path("state").asString("")).as(when).isIn("done", "partly", "stopped");
        Map<String, String> held = new HashMap<>();
        for (var recorder : recorders) {
            PANEL.matcher(choir.panel(recorder))
                    .results()
                    .forEach(m -> held.put(recorder + "/" + m.group(1), m.group(2)));
        }
        assertThat(held).hasSize(RECORDERS * CAMERAS);
        boolean all = true;
        for (var step : rollout.path("steps")) {
            var camera = step.path("camera").asString("");
            var state = step.path("state").asString("");
            all &= state.equals("verified");
            // What was half written when the kill or the fault came is told as such; nothing stays between states.
            assertThat(state).as("%s: %s", when, step).isIn("verified", "mismatched", "failed", "skipped");
            step.path("changes").forEach(change -> {
                if (change.path("key").asString("").equals("motion.sensitivity")) {
                    if (state.equals("verified")) {
                        assertThat(held.get(camera))
                                .as("%s: %s", when, step)
                                .isEqualTo(change.path("after").asString(""));
                    } else {
                        assertThat(held.get(camera))
                                .as("%s: %s", when, step)
                                .isIn(
                                        change.path("before").asString(""),
                                        change.path("after").asString(""));
                    }
                }
            });
        }
        if (!all) {
            choir.giveOut("");
        }
        choir.audit();
        assertThat(choir.openSentences()).as(when).isEmpty();
    }
}
