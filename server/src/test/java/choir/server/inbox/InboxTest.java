package choir.server.inbox;

import static org.assertj.core.api.Assertions.assertThat;

import choir.family.NativeConfig;
import choir.family.NativeValue;
import choir.policy.Catalogue;
import choir.server.TestService;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;

class InboxTest {
    private TestService service;

    @BeforeEach
    void start() {
        service = TestService.start();
        service.load("template: house\nmotion: {sensitivity: 70}\n---\ngroup: fleet\nuse: [house]\n");
    }

    @AfterEach
    void stop() {
        service.close();
    }

    private List<String> inbox() {
        return service.get("/api/v1/inbox").body().values().stream()
                .map(i -> i.path("kind").asString() + ": " + i.path("sentence").asString())
                .toList();
    }

    private long preview() {
        return service.post("/api/v1/previews", Map.of("select", ""))
                .body()
                .path("id")
                .asLong();
    }

    @Test
    void whatWaitsForEachIsTheirsAlone() {
        var fake = service.added("r1")
                .channel("01", new NativeConfig(Map.of(Catalogue.SENSITIVITY, NativeValue.number(50))));
        service.read();
        service.audit();
        assertThat(inbox()).isEmpty();

        var asked = service.post("/api/v1/rollouts", Map.of("preview", preview(), "secondPerson", true));
        long finding = service.get("/api/v1/findings")
                .body()
                .path("items")
                .path(0)
                .path("id")
                .asLong();
        // Who asked for it cannot let it go, so it does not wait for them.
        assertThat(inbox()).isEmpty();
        service.as("ben", "editor", () -> {
            assertThat(inbox())
                    .singleElement()
                    .asString()
                    .startsWith("approve: Rollout ")
                    .contains("by ada");
            service.post(
                    "/api/v1/findings/decisions",
                    Map.of("findings", List.of(finding), "decision", "assign", "to", "ben", "because", "ladder"));
            assertThat(inbox())
                    .hasSize(2)
                    .last()
                    .asString()
                    .startsWith("finding: r1/01")
                    .endsWith("(ladder)");
        });
        service.as("tom", "technician", () -> assertThat(inbox()).isEmpty());

        service.post("/api/v1/works/" + asked.body().path("id").asLong() + "/stop", Map.of());
        fake.refusing.add("01");
        service.finish(service.post(
                "/api/v1/rollouts", Map.of("preview", preview(), "waves", List.of("9"), "patience", "PT0S")));
        assertThat(inbox())
                .singleElement()
                .asString()
                .startsWith("rollout: Rollout ")
                .contains("1 failed");
    }
}
