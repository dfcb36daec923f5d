package choir.story;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import tools.jackson.databind.JsonNode;

/** Recorders that misbehave, and a service that is stopped in the middle: every step ends settled. */
class FaultsTest {
    private Ensemble choir;

    @BeforeEach
    void start() {
        choir = new Ensemble();
        choir.recorder("haldr-1", "tern", 4);
        choir.load(
                "template: house\nmotion: {sensitivity: 70}\nrecording: {before-event: 6s}\n---\ngroup: fleet\nuse: [house]\n");
    }

    @AfterEach
    void stop() {
        choir.close();
    }

    private JsonNode rollout(JsonNode work) {
        return choir.get("/api/v1/rollouts/" + work.path("id").asLong()).body();
    }

    private static String states(JsonNode rollout) {
        return rollout.path("steps").values().stream()
                .map(s -> s.path("state").asString(""))
                .distinct()
                .sorted()
                .reduce((a, b) -> a + " " + b)
                .orElse("");
    }

    @ParameterizedTest
    @CsvSource({
        "AWAY, cannot be reached",
        "WRONG_PASSWORD, does not take the user name and password",
        "GARBAGE, not",
        "CUT_OFF, not",
        "ENDLESS, cannot be understood"
    })
    void anAuditTellsWhichRecorderCouldNotBeReadAndWhy(String fault, String why) {
        choir.giveOut("");
        choir.panel("haldr-1?fault=" + fault);
        unreadBecause(why);
        choir.panel("haldr-1?fault=NONE");
        choir.audit();
        assertThat(choir.openSentences()).isEmpty();
    }

    @Test
    void anAuditWaitsForASlowRecorderNoLongerThanItsDeadline() {
        choir.giveOut("");
        choir.panel("haldr-1?delay=PT30S&fault=SLOW");
        choir.restartWithDeadline("500ms");
        unreadBecause("did not answer within 0.5 s");
        choir.panel("haldr-1?fault=NONE");
        choir.restartWithDeadline("2m");
        choir.audit();
        assertThat(choir.openSentences()).isEmpty();
    }

    private void unreadBecause(String why) {
        choir.audit();
        assertThat(choir.openSentences()).singleElement().satisfies(s -> {
            assertThat(s).startsWith("haldr-1: The recorder could not be read").contains(why);
        });
        assertThat(choir.choir("camera", "list", "state:unknown").out()).contains("haldr-1/01", "haldr-1/04");
    }

    @Test
    void aRolloutThatFailsInItsFirstWaveLeavesTheRestAlone() {
        choir.recorder("haldr-2", "tern", 4);
        var preview = choir.post("/api/v1/previews", Map.of("select", ""));
        choir.panel("haldr-1?fault=AWAY");
        var work = choir.finish(choir.post(
                "/api/v1/rollouts",
                Map.of(
                        "preview",
                        preview.body().path("id").asLong(),
                        "waves",
                        List.of("2"),
                        "maxFailedPercent",
                        0,
                        "patience",
                        "PT0S")));
        assertThat(work.path("state").asString()).isEqualTo("stopped");
        assertThat(work.path("note").asString()).contains("after wave 1: 2 of 2 cameras failed");
        assertThat(states(rollout(work))).isEqualTo("failed skipped");
        assertThat(choir.panel("haldr-2")).contains("writes 0").contains("sensitivity 50");
    }

    @Test
    void whatARecorderForgetsIsMismatchedAndTheAuditSaysThatItDidNotTake() {
        choir.panel("haldr-1?fault=FORGETS");
        var work = choir.giveOut("camera:haldr-1/02");
        var rollout = rollout(work);
        assertThat(states(rollout)).isEqualTo("mismatched");
        assertThat(rollout.path("steps").path(0).path("detail").asString())
                .contains("motion.sensitivity did not take: wrote 70, reads back 50");
        choir.audit();
        assertThat(choir.openSentences())
                .anySatisfy(
                        s -> assertThat(s).contains("haldr-1/02: Sensitivity").contains("did not take"));
    }

    @Test
    void aCameraThatMovedSinceThePreviewIsSkipped() {
        var preview = choir.post("/api/v1/previews", Map.of("select", ""));
        choir.panel("haldr-1/01?sensitivity=33");
        choir.write(
                "POST",
                "/api/v1/overrides",
                Map.of(
                        "node",
                        "camera:haldr-1/02",
                        "set",
                        Map.of("motion.sensitivity", "20"),
                        "because",
                        "x",
                        "fixed",
                        false),
                "If-Match",
                "*");
        var work = choir.finish(choir.post(
                "/api/v1/rollouts", Map.of("preview", preview.body().path("id").asLong(), "waves", List.of("9"))));
        var steps = rollout(work).path("steps");
        assertThat(steps.path(0).path("detail").asString()).contains("moved: the recorder holds something else");
        assertThat(steps.path(1).path("detail").asString()).contains("moved: the policy asks for something else");
        assertThat(steps.path(2).path("state").asString()).isEqualTo("verified");
        assertThat(choir.panel("haldr-1")).contains("01 Camera 1 detection true sensitivity 33");
    }

    @Test
    void undoPutsBackWhatWasThereAndLeavesThePolicyAlone() {
        var work = choir.giveOut("");
        choir.finish(choir.post("/api/v1/rollouts/" + work.path("id").asLong() + "/undo", Map.of()));
        assertThat(choir.panel("haldr-1")).contains("sensitivity 50").doesNotContain("sensitivity 70");
        assertThat(choir.choir("camera", "list", "state:waiting").out()).contains("haldr-1/01");
    }

    @Test
    void stepsThatACrashLeftInWritingAreSettledByReading() {
        var work = choir.giveOut("");
        long id = work.path("id").asLong();
        choir.panel("haldr-1/02?sensitivity=50&before=5");
        choir.panel("haldr-1/03?sensitivity=61");
        // As if the service had been killed in the middle: all four journalled as being written, one not begun.
        choir.restart(
                "UPDATE rollout_step SET state = 'WRITING', outcome = NULL WHERE rollout = " + id,
                "UPDATE rollout_step SET state = 'PLANNED' WHERE rollout = " + id
                        + " AND camera = (SELECT id FROM camera WHERE channel = '04')",
                "UPDATE work SET state = 'RUNNING', ended_at = NULL WHERE id = " + id);
        exchangeUntilEnded(id);
        var steps = rollout(work).path("steps");
        assertThat(steps.path(0).path("state").asString()).isEqualTo("verified");
        assertThat(steps.path(1).path("state").asString()).isEqualTo("verified");
        assertThat(steps.path(2).path("state").asString()).isEqualTo("mismatched");
        assertThat(steps.path(3).path("state").asString()).isEqualTo("skipped");
        assertThat(choir.panel("haldr-1"))
                .contains("02 Camera 2 detection true sensitivity 70")
                .contains("03 Camera 3 detection true sensitivity 61");
    }

    @Test
    void aServiceThatIsStoppedInTheMiddleOfARolloutTakesItUpAgain() {
        choir.panel("haldr-1?delay=PT0.4S&fault=SLOW");
        var started = choir.startRollout("", 2, 0);
        assertThat(started.status()).isEqualTo(202);
        choir.restart();
        choir.panel("haldr-1?fault=NONE");
        exchangeUntilEnded(started.body().path("id").asLong());
        var rollout = rollout(started.body());
        assertThat(states(rollout)).as(rollout.toString()).isEqualTo("verified");
        assertThat(choir.get("/api/v1/works/" + started.body().path("id").asLong())
                        .body()
                        .path("state")
                        .asString())
                .isEqualTo("done");
    }

    private void exchangeUntilEnded(long id) {
        choir.exchange(choir.request("/api/v1/works/" + id + "/progress").GET().build());
        assertThat(choir.get("/api/v1/works/" + id).body().path("endedAt").isMissingNode())
                .isFalse();
    }

    @Test
    void aFirmwareChangeTakesNothingForGrantedThatWasVerifiedBefore() {
        choir.giveOut("");
        choir.execute("UPDATE recorder SET firmware = '4.1.0'");
        choir.restart();
        choir.panel("haldr-1/01?sensitivity=50");
        choir.audit();
        assertThat(choir.openSentences())
                .hasSize(2)
                .anyMatch(s -> s.contains("never tuned"))
                .anyMatch(s -> s.contains("The firmware was 4.1.0 and is 4.2.0 now"));
    }
}
