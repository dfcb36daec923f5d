package choir.server.fleet;

import static org.assertj.core.api.Assertions.assertThat;

import choir.family.NativeConfig;
import choir.family.NativeValue;
import choir.policy.Catalogue;
import choir.server.FakeRecorders;
import choir.server.TestService;
import java.time.LocalDate;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;

/** A recorder at which somebody works is neither audited nor written, and comes back by itself. */
class PauseTest {
    private static final String LATER = LocalDate.now().plusDays(7).toString();

    private TestService service;
    private FakeRecorders.Fake one;
    private FakeRecorders.Fake two;

    @BeforeEach
    void start() {
        service = TestService.start();
        service.load("template: house\nmotion: {sensitivity: 70}\n---\ngroup: fleet\nuse: [house]\n");
        var config = new NativeConfig(Map.of(Catalogue.SENSITIVITY, NativeValue.number(50)));
        one = service.added("r1").channel("01", config);
        two = service.added("r2").channel("01", config);
        service.read();
    }

    @AfterEach
    void stop() {
        service.close();
    }

    private TestService.Answer pause(String recorder, String until, String because) {
        return service.send(
                "PUT", "/api/v1/recorders/" + recorder + "/pause", Map.of("until", until, "because", because));
    }

    @Test
    void aPausedRecorderIsNeitherAuditedNorPreviewedUntilItIsResumed() {
        assertThat(pause("r1", LATER, "new disks").status()).isEqualTo(204);
        service.audit();
        assertThat(service.findings()).singleElement().asString().startsWith("r2/01");
        var preview = service.post("/api/v1/previews", Map.of("select", "")).body();
        assertThat(preview.path("cameras")).hasSize(1);
        assertThat(preview.path("leftAlone").path(0).asString())
                .isEqualTo("r1 is paused until " + LATER + " (new disks)");
        assertThat(preview.path("unread"))
                .as("that it is paused is not that it is not known")
                .isEmpty();
        assertThat(preview.path("inTune").asInt()).isZero();
        var alone = service.post("/api/v1/audits", Map.of("select", "recorder:r1"));
        assertThat(alone.status()).isEqualTo(409);
        assertThat(alone.detail()).contains("r1 is paused until " + LATER);
        assertThat(service.get("/api/v1/recorders/r1")
                        .body()
                        .path("pausedBecause")
                        .asString())
                .isEqualTo("new disks");
        assertThat(service.send("DELETE", "/api/v1/recorders/r1/pause", null).status())
                .isEqualTo(204);
        service.audit();
        assertThat(service.findings()).hasSize(2);
    }

    @Test
    void whatWasPlannedBeforeThePauseIsNotWritten() {
        var preview = service.post("/api/v1/previews", Map.of("select", "")).body();
        one.beforeRead = () -> {
            if (one.written.isEmpty()) {
                pause("r1", LATER, "new disks");
            }
        };
        var work = service.finish(service.post(
                "/api/v1/rollouts",
                Map.of("preview", preview.path("id").asLong(), "waves", List.of("10"), "maxFailedPercent", 100)));
        assertThat(work.path("note").asString()).isEqualTo("1 verified, 1 skipped");
        assertThat(one.written).isEmpty();
        assertThat(two.written).hasSize(1);
    }

    @Test
    void aFindingOfAPausedRecorderIsNotGivenOutAgain() {
        service.audit();
        pause("r1", LATER, "new disks");
        var finding = service.get("/api/v1/findings?select=recorder:r1")
                .body()
                .path("items")
                .path(0);
        var answer = service.post(
                "/api/v1/findings/reapply",
                Map.of("findings", new long[] {finding.path("id").asLong()}));
        assertThat(answer.status()).isEqualTo(409);
        assertThat(answer.detail()).isEqualTo("r1 is paused until " + LATER + " (new disks)");
        assertThat(one.written).isEmpty();
    }

    @Test
    void whatIsNoPauseIsRefusedInWords() {
        assertThat(pause("r1", "2020-01-01", "x").detail()).contains("2020-01-01 is past");
        assertThat(pause("r1", LATER, " ").detail()).contains("needs a reason");
        assertThat(pause("r9", LATER, "x").status()).isEqualTo(404);
        assertThat(service.send("DELETE", "/api/v1/recorders/r1/pause", null).status())
                .isEqualTo(409);
    }
}
