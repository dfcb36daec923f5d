package choir.server.checkup;

import static org.assertj.core.api.Assertions.assertThat;

import choir.server.TestService;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.attribute.PosixFilePermissions;
import java.util.Map;
import java.util.stream.Collectors;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;

class CheckUpTest {
    private TestService service;

    @BeforeEach
    void start() {
        service = TestService.start();
    }

    @AfterEach
    void stop() {
        service.close();
    }

    private Map<String, String> states() {
        return service.get("/api/v1/check-up")
                .body()
                .path("checks")
                .valueStream()
                .collect(Collectors.toMap(
                        c -> c.path("about").asString(""), c -> c.path("state").asString("")));
    }

    @Test
    void aFreshServiceHasNoBackupAndNothingElseIsAmiss() {
        assertThat(states())
                .containsEntry("database", "well")
                .containsEntry("key", "well")
                .containsEntry("journal", "well")
                .containsEntry("notices", "well")
                .containsEntry("recorders", "well")
                .containsEntry("clocks", "not-known")
                .containsEntry("backups", "look")
                .containsEntry("plans", "well");
        service.post("/api/v1/backups", Map.of());
        assertThat(states()).containsEntry("backups", "well");
    }

    @Test
    void whereNothingIsAuditedByItselfThatIsSaid() {
        service.get("/api/v1/plans")
                .body()
                .forEach(p ->
                        service.send("DELETE", "/api/v1/plans/" + p.path("id").asLong(), null));
        assertThat(states()).containsEntry("plans", "look");
    }

    @Test
    void aRecorderThatDoesNotAnswerIsNamed() {
        service.added("r1").channel("01", new choir.family.NativeConfig(Map.of()));
        service.read();
        assertThat(states()).containsEntry("recorders", "well");
        service.recorders().at("r1").goAway();
        service.read();
        assertThat(service.get("/api/v1/check-up").body().toString()).contains("1 of 1 could not be used", "r1");
    }

    @Test
    void aKeyThatIsNotTheOneOrThatOthersCanReadIsWrong() throws Exception {
        Path key = service.folder().resolve("key");
        Files.setPosixFilePermissions(key, PosixFilePermissions.fromString("rw-r--r--"));
        assertThat(states()).containsEntry("key", "wrong");
        Files.writeString(key, "ab".repeat(32));
        assertThat(service.get("/api/v1/check-up").body().toString()).contains("is not the one with which");
        Files.delete(key);
        assertThat(states()).containsEntry("key", "wrong");
        Files.writeString(key, "no key at all");
        assertThat(states()).containsEntry("key", "not-known");
        assertThat(service.get("/api/v1/check-up").body().path("state").asString())
                .as("what cannot be looked at is not well")
                .isNotEqualTo("well");
    }

    @Test
    void itIsToldToWhoeverWatchesByMetrics() {
        states();
        assertThat(service.get("/actuator/prometheus").whole().body())
                .contains("choir_check_up{check=\"key\"} 0.0", "choir_check_up{check=\"backups\"} 1.0");
    }
}
