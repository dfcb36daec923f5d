package choir.server.stored;

import static org.assertj.core.api.Assertions.assertThat;

import choir.family.NativeConfig;
import choir.family.NativeValue;
import choir.policy.Catalogue;
import choir.server.FakeRecorders;
import choir.server.TestService;
import choir.server.db.Database;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;

/** What a later service wrote, or a disk spoiled, is told of the one it is about; everything else goes on. */
class UnreadableRowsTest {
    private static final String LATER = "{\"v\":99}";
    private TestService service;
    private FakeRecorders.Fake spoiled;

    @BeforeEach
    void start() {
        service = TestService.start();
        service.load("template: house\nmotion: {sensitivity: 70}\n---\ngroup: fleet\nuse: [house]\n");
        spoiled = service.added("r1").channel("01", config()).channel("02", config());
        service.added("r2").channel("01", config());
        service.read();
        service.audit();
    }

    @AfterEach
    void stop() {
        service.close();
    }

    private static NativeConfig config() {
        return new NativeConfig(Map.of(Catalogue.SENSITIVITY, NativeValue.number(50)));
    }

    /** As it would be after the next start. */
    private void spoil(String sql) {
        var database = service.bean(Database.class);
        int rows =
                database.write(() -> database.change(sql).param("text", LATER).update());
        assertThat(rows).as(sql).isPositive();
        service.restart();
    }

    private List<String> answers() {
        List<String> bad = new ArrayList<>();
        for (var path : List.of(
                "/api/v1/overview",
                "/api/v1/cameras",
                "/api/v1/findings",
                "/api/v1/recorders",
                "/api/v1/audits",
                "/api/v1/rollouts",
                "/api/v1/cameras/r1/01",
                "/api/v1/cameras/r1/01/findings",
                "/api/v1/cameras/r2/01")) {
            var answer = service.get(path);
            if (answer.status() != 200) {
                bad.add(path + ": " + answer.status() + " " + answer.detail());
            }
        }
        return bad;
    }

    @Test
    void aFindingIsStillListedAndTheNextAuditPutsItRight() {
        spoil("UPDATE finding SET matter = :text WHERE recorder = 'r1' AND channel = '01'");
        assertThat(answers()).isEmpty();
        assertThat(service.findings()).hasSize(3);
        assertThat(service.get("/api/v1/findings").body().toString()).contains("\"not-understood\"");
        assertThat(service.audit().path("state").asString()).isEqualTo("done");
        assertThat(service.findings()).hasSize(3);
        assertThat(service.get("/api/v1/findings").body().toString()).doesNotContain("not-understood");
    }

    @Test
    void theDistanceOfAFindingIsWorkedOutAgain() {
        spoil("UPDATE finding SET distance = :text WHERE recorder = 'r1'");
        assertThat(answers()).isEmpty();
        service.audit();
        service.get("/api/v1/findings")
                .body()
                .path("items")
                .forEach(
                        f -> assertThat(f.path("loss").asInt() + f.path("waste").asInt())
                                .isPositive());
    }

    @Test
    void tagsAreTroubleOfTheirRecorderAlone() {
        spoil("UPDATE camera SET tags = :text WHERE recorder = 'r1' AND channel = '02'");
        assertThat(answers()).isEmpty();
        assertThat(service.get("/api/v1/cameras/r1/02").body().path("trouble").asString())
                .contains("r1", "cannot be understood");
        assertThat(service.get("/api/v1/cameras/r2/01").body().path("trouble").asString(""))
                .isEmpty();
        var placed = service.send(
                "PUT", "/api/v1/cameras/r1/02/placing", Map.of("tags", List.of("mended")), "If-Match", "*");
        assertThat(placed.status()).as(placed.detail()).isLessThan(300);
        assertThat(service.get("/api/v1/cameras/r1/02").body().path("trouble").asString(""))
                .isEmpty();
    }

    @Test
    void whatACameraHoldsIsTroubleOfItsRecorderAlone() {
        spoiled.turn("01", Catalogue.SENSITIVITY, NativeValue.number(51));
        service.read();
        spoil("UPDATE content SET body = :text WHERE hash IN"
                + " (SELECT o.hash FROM observation o JOIN camera c ON c.id = o.camera"
                + " WHERE c.recorder = 'r1' AND c.channel = '01')");
        assertThat(answers()).isEmpty();
        assertThat(service.get("/api/v1/cameras/r1/01").body().path("trouble").asString())
                .contains("r1", "cannot be understood");
        assertThat(service.get("/api/v1/cameras/r2/01").body().path("trouble").asString(""))
                .isEmpty();
    }

    @Test
    void aTaskIsListedAndCannotBeRunAgain() {
        service.giveOut("");
        spoil("UPDATE work SET task = :text WHERE kind = 'ROLLOUT'");
        assertThat(answers()).isEmpty();
        var id = service.get("/api/v1/rollouts").body().path(0).path("id").asLong();
        assertThat(service.get("/api/v1/rollouts/" + id).status()).isEqualTo(200);
    }

    @Test
    void aPreviewHasToBeMadeAgain() {
        var preview = service.post("/api/v1/previews", Map.of("select", "")).body();
        spoil("UPDATE preview_step SET changes = :text");
        var refused = service.post(
                "/api/v1/rollouts", Map.of("preview", preview.path("id").asLong()));
        assertThat(refused.status()).isEqualTo(409);
        assertThat(refused.detail()).contains("preview again");
        assertThat(service.giveOut("").path("state").asString()).isEqualTo("done");
    }

    @Test
    void aStepFailsAndTheOthersAreGivenOut() {
        var preview = service.post("/api/v1/previews", Map.of("select", "")).body();
        spoiled.beforeRead = () -> {
            var database = service.bean(Database.class);
            database.write(() -> database.change(
                            "UPDATE rollout_step SET changes = :text WHERE recorder = 'r1' AND channel = '02'")
                    .param("text", LATER)
                    .update());
        };
        // The first wave takes one recorder, so the row is spoiled before the next wave reads it.
        var work = service.finish(service.post(
                "/api/v1/rollouts",
                Map.of("preview", preview.path("id").asLong(), "waves", List.of("1"), "maxFailedPercent", 100)));
        assertThat(answers()).isEmpty();
        spoiled.beforeRead = () -> {};
        var rollout = service.get("/api/v1/rollouts/" + work.path("id").asLong());
        assertThat(rollout.status()).as(rollout.detail()).isEqualTo(200);
        assertThat(work.path("state").asString()).isEqualTo("partly");
        for (var step : rollout.body().path("steps")) {
            boolean bad = step.path("camera").asString().equals("r1/02")
                    && step.path("state").asString().equals("failed");
            assertThat(bad || step.path("state").asString().equals("verified"))
                    .as(step.toString())
                    .isTrue();
        }
        var undo = service.post("/api/v1/rollouts/" + work.path("id").asLong() + "/undo", Map.of());
        assertThat(undo.status()).as(undo.detail()).isEqualTo(202);
        service.finish(undo);
    }

    private String trouble(String camera) {
        return service.get("/api/v1/cameras/" + camera).body().path("trouble").asString("");
    }

    @Test
    void anOverrideIsTroubleOfThoseWhomItReaches() {
        service.post("/api/v1/groups", Map.of("path", "fleet/yard"));
        service.send("PUT", "/api/v1/cameras/r2/01/placing", Map.of("group", "fleet/yard"), "If-Match", "*");
        service.load("camera: r1/01\nset: {motion.sensitivity: 60}\nbecause: a test\n---\n"
                + "group: fleet/yard\nset: {motion.sensitivity: 40}\nbecause: a test\n");
        spoil("UPDATE policy_override SET value = :text WHERE node = 'r1/01'");
        assertThat(answers()).isEmpty();
        assertThat(trouble("r1/01")).contains("override of motion.sensitivity", "r1/01", "choir set");
        assertThat(trouble("r2/01")).isEmpty();
        spoil("UPDATE policy_override SET value = :text WHERE node = 'fleet/yard'");
        assertThat(answers()).isEmpty();
        assertThat(trouble("r2/01")).contains("fleet/yard");
        assertThat(service.get("/api/v1/policy").status()).isEqualTo(409);
        service.load("group: fleet/yard\nset: {motion.sensitivity: 40}\nbecause: a test\n");
        assertThat(trouble("r2/01")).isEmpty();
        assertThat(trouble("r1/01")).isNotEmpty();
    }

    @Test
    void aTemplateIsTroubleOfThoseWhoUseIt() {
        service.load("template: other\nmotion: {sensitivity: 10}\n---\ncamera: r1/01\nuse: [other]\n");
        spoil("UPDATE template_revision SET text = :text WHERE name = 'other'");
        assertThat(answers()).isEmpty();
        assertThat(trouble("r1/01")).contains("template other", "choir template edit other");
        assertThat(trouble("r2/01")).isEmpty();
    }

    @Test
    void aCalendarIsTroubleOfThoseWhoseSpecialDaysSpeakOfIt() {
        service.load("calendar: feasts\ndates: [12-25 yearly]\n---\ntemplate: other\n"
                + "recording: {special-days: {feasts: daily continuous}}\n---\ncamera: r1/01\nuse: [other]\n");
        spoil("UPDATE calendar SET dates = :text");
        assertThat(answers()).isEmpty();
        assertThat(trouble("r1/01")).contains("calendar feasts");
        assertThat(trouble("r2/01")).isEmpty();
        service.load("calendar: feasts\ndates: [12-25 yearly]\n");
        assertThat(trouble("r1/01")).isEmpty();
    }
}
