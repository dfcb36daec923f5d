package choir.server.retention;

import static org.assertj.core.api.Assertions.assertThat;

import choir.family.NativeConfig;
import choir.family.NativeValue;
import choir.policy.Catalogue;
import choir.server.TestService;
import choir.server.db.Database;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;

/** What is past its time goes, and nothing else. */
class RetentionTest {
    private static final String LONG_AGO = "2020-01-01T00:00:00Z";
    private TestService service;

    @BeforeEach
    void start() {
        service = TestService.start();
        service.load("template: house\nmotion: {sensitivity: 70}\n---\ngroup: fleet\nuse: [house]\n");
        var fake = service.added("r1");
        for (var channel : List.of("01", "02", "03")) {
            fake.channel(channel, new NativeConfig(Map.of(Catalogue.SENSITIVITY, NativeValue.number(40))));
        }
        service.read();
        service.giveOut("");
        for (var channel : List.of("01", "02", "03")) {
            fake.turn(channel, Catalogue.SENSITIVITY, NativeValue.number(11));
        }
        service.audit();
    }

    @AfterEach
    void stop() {
        service.close();
    }

    private void change(String sql) {
        var database = service.bean(Database.class);
        database.write(() -> database.change(sql).update());
    }

    private int count(String table) {
        return service.bean(Database.class)
                .query("SELECT count(*) FROM " + table)
                .query(Integer.class)
                .single();
    }

    private Map<String, Integer> letGo() {
        return service.bean(Retention.class).letGo();
    }

    @Test
    void whatIsYoungStays() {
        int steps = count("rollout_step");
        assertThat(steps).isEqualTo(3);
        assertThat(letGo()).isEmpty();
        assertThat(count("rollout_step")).isEqualTo(steps);
        assertThat(service.get("/api/v1/check-up").body().toString())
                .contains("previews are kept for 30 days", "half of that would free nothing");
    }

    @Test
    void previewsAndStepsOfOldRolloutsGoAndTheRolloutStays() {
        change("UPDATE preview SET created_at = '" + LONG_AGO + "'");
        change("UPDATE work SET ended_at = '" + LONG_AGO + "' WHERE kind = 'ROLLOUT'");
        assertThat(service.get("/api/v1/check-up").body().toString()).contains("3 steps of rollouts by 550 days");
        assertThat(letGo())
                .containsOnly(
                        Map.entry("steps of previews", 3), Map.entry("previews", 1), Map.entry("steps of rollouts", 3));
        assertThat(count("rollout_step")).isZero();
        var rollouts = service.get("/api/v1/rollouts").body();
        assertThat(rollouts.size()).isEqualTo(1);
        long id = rollouts.get(0).path("id").asLong();
        assertThat(service.get("/api/v1/rollouts/" + id).status()).isEqualTo(200);
        assertThat(service.post("/api/v1/rollouts/" + id + "/undo", Map.of()).detail())
                .contains("nothing to change");
        assertThat(service.get("/api/v1/journal").body().toString())
                .contains("let go of what is past its time", "3 steps of rollouts");
        assertThat(letGo()).isEmpty();
    }

    @Test
    void findingsOfWhichSomebodyDecidedStayAndThoseThatReturnedLoseTheirPast() {
        var items = service.get("/api/v1/findings").body().path("items");
        long first = items.get(0).path("id").asLong();
        long second = items.get(1).path("id").asLong();
        assertThat(service.post(
                                "/api/v1/findings/decisions",
                                Map.of(
                                        "findings",
                                        List.of(first),
                                        "decision",
                                        "accept",
                                        "because",
                                        "known",
                                        "until",
                                        "2099-01-01"))
                        .status())
                .isEqualTo(200);
        change("UPDATE finding SET ended_at = '" + LONG_AGO + "', ended_by = 'well' WHERE id IN (" + first + ", "
                + second + ")");
        long third = items.get(2).path("id").asLong();
        change("UPDATE finding SET returns = " + second + " WHERE id = " + third);
        assertThat(letGo()).containsOnly(Map.entry("ended findings of which nobody decided anything", 1));
        assertThat(service.get("/api/v1/findings/" + first).status()).isEqualTo(200);
        assertThat(service.get("/api/v1/findings/" + second).status()).isEqualTo(404);
        assertThat(service.get("/api/v1/findings/" + third + "/history").status())
                .isEqualTo(200);
    }

    @Test
    void muchOfItGoesInSmallSteps() {
        change("UPDATE work SET ended_at = '" + LONG_AGO + "' WHERE kind = 'AUDIT'");
        change("""
                WITH RECURSIVE n(i) AS (SELECT 1 UNION ALL SELECT i + 1 FROM n WHERE i < 2500)
                INSERT INTO sweep_part (work, recorder, state, note)
                SELECT (SELECT min(id) FROM work WHERE kind = 'AUDIT'), 'gone-' || i, 'DONE', '' FROM n
                """);
        assertThat(letGo()).containsOnly(Map.entry("recorders of audits and readings", 2501));
        assertThat(count("sweep_part WHERE recorder LIKE 'gone-%'")).isZero();
        assertThat(count("sweep_part")).as("of the reading").isEqualTo(1);
    }
}
