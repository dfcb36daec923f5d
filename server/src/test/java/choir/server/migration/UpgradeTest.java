package choir.server.migration;

import static org.assertj.core.api.Assertions.assertThat;

import choir.server.Scratch;
import choir.server.TestService;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.sql.DriverManager;
import java.sql.SQLException;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;

/** The database of the first release, as its demo left it, comes up with everything that was in it. */
class UpgradeTest {
    private static Path folder(String... further) {
        try (var in = UpgradeTest.class.getResourceAsStream("/release-0.1.sql")) {
            var folder = Scratch.folder("choir-upgrade");
            var text = new String(in.readAllBytes(), StandardCharsets.UTF_8);
            try (var connection = DriverManager.getConnection("jdbc:sqlite:" + folder.resolve("choir.db"));
                    var statement = connection.createStatement()) {
                for (var sql : statements(text)) {
                    statement.execute(sql);
                }
                for (var sql : further) {
                    statement.execute(sql);
                }
            }
            return folder;
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        } catch (SQLException e) {
            throw new IllegalStateException(e);
        }
    }

    /** A statement ends with a semicolon at the end of a line outside of quotes; a trigger with its END. */
    private static List<String> statements(String dump) {
        List<String> all = new ArrayList<>();
        var one = new StringBuilder();
        for (var line : dump.lines().toList()) {
            one.append(line).append('\n');
            boolean closed = one.chars().filter(c -> c == '\'').count() % 2 == 0;
            boolean trigger =
                    one.toString().startsWith("CREATE TRIGGER") && !line.strip().endsWith("END;");
            if (closed && !trigger && line.strip().endsWith(";")) {
                var sql = one.toString().strip();
                if (!sql.equals("BEGIN TRANSACTION;") && !sql.equals("COMMIT;")) {
                    all.add(sql);
                }
                one.setLength(0);
            }
        }
        return all;
    }

    /** What the first release's own password was is not known here, so the test's own person is put beside. */
    private static final String PERSON = "INSERT INTO account (name, role, password_hash, one_time, created_at) VALUES"
            + " ('ada', 'ADMINISTRATOR', '"
            + new org.springframework.security.crypto.bcrypt.BCryptPasswordEncoder(4).encode("a long enough password")
            + "', 0, '2026-01-01T00:00:00Z')";

    @Test
    void everythingIsThereAndStandsWhereItStood() {
        try (var service = TestService.on(folder(PERSON))) {
            var overview = service.get("/api/v1/overview").body();
            assertThat(overview.path("cameras").asInt()).isEqualTo(96);
            assertThat(overview.path("inTune").asInt()).isEqualTo(56);
            assertThat(overview.path("drifted").asInt()).isEqualTo(12);
            assertThat(overview.path("waiting").asInt()).isEqualTo(16);
            assertThat(overview.path("unknown").asInt()).isEqualTo(12);
            assertThat(overview.path("minutesWithoutRecording").asInt()).isEqualTo(20_400);
            assertThat(service.get("/api/v1/overrides").body()).hasSize(13);
            var rollout = service.get("/api/v1/rollouts/2").body();
            assertThat(rollout.path("work").path("selection").asString()).startsWith("not:recorder:sandsay-1");
            assertThat(rollout.path("steps")).hasSize(72);
            assertThat(service.get("/api/v1/audits").body()).hasSize(2);
            assertThat(service.findings()).anySatisfy(f -> assertThat(f).contains("clock is 37 min"));
            var findings = service.get("/api/v1/findings?limit=1000").body().path("items");
            assertThat(findings.values().stream()
                            .map(f -> f.path("about").asString())
                            .distinct())
                    .contains("value", "not-read", "clock", "zone", "blocked", "expired");
            var clock = service.get("/api/v1/recorders/corrie-1").body();
            assertThat(clock.path("clockAheadSeconds").asInt()).isEqualTo(-2_221);
            assertThat(clock.has("trouble")).isFalse();
            assertThat(service.get("/api/v1/recorders/brannick-2")
                            .body()
                            .path("trouble")
                            .asString())
                    .contains("cannot be reached");
            assertThat(service.get("/api/v1/recorders/yard-1").body().has("address"))
                    .isFalse();
        }
    }

    @Test
    void whatCannotBeUnderstoodIsLeftOutAndTheRestComesUp() {
        var folder = folder(
                PERSON,
                "UPDATE content SET body = 'recording.special-days\tdays:Feast | Easter^2027-01-01^daily none'"
                        + " WHERE hash = (SELECT hash FROM observation WHERE camera = (SELECT id FROM camera WHERE"
                        + " recorder = 'haldr-1' AND channel = '01'))",
                "UPDATE attempt SET written = 'nonsense'",
                "UPDATE rollout_step SET changes = 'x' WHERE id = 1");
        try (var service = TestService.on(folder)) {
            var camera = service.get("/api/v1/cameras/haldr-1/01").body();
            assertThat(camera.path("row").path("states").toString()).contains("unknown");
            assertThat(service.get("/api/v1/overview").body().path("cameras").asInt())
                    .isEqualTo(96);
            assertThat(service.get("/api/v1/rollouts/2").body().path("steps")).hasSize(71);
            assertThat(service.post("/api/v1/previews", Map.of("select", "")).status())
                    .isEqualTo(200);
        }
    }
}
