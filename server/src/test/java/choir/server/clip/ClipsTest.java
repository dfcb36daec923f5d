package choir.server.clip;

import static org.assertj.core.api.Assertions.assertThat;

import choir.family.NativeConfig;
import choir.family.NativeValue;
import choir.fleet.Node;
import choir.policy.Catalogue;
import choir.server.TestService;
import choir.server.db.Database;
import choir.server.fleet.FleetStore;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import java.time.Instant;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import tools.jackson.databind.JsonNode;

/** Footage that a person brings: a film of 25 pictures a second, on which a square goes by after four seconds. */
class ClipsTest {
    private static final String AT = "2027-01-14T06:00:00Z";
    private TestService service;

    @BeforeEach
    void start() {
        service = TestService.start();
        service.added("haldr-1")
                .channel(
                        "01",
                        new NativeConfig(Map.of(
                                Catalogue.SENSITIVITY,
                                NativeValue.number(50),
                                Catalogue.THRESHOLD,
                                NativeValue.number(4),
                                Catalogue.DETECTION,
                                new NativeValue.Flag(true))));
        service.read("haldr-1");
    }

    @AfterEach
    void stop() {
        service.close();
    }

    private JsonNode added(int pictures) throws IOException {
        var answer = service.upload("/api/v1/clip-files?camera=haldr-1/01&at=" + AT, Films.square(pictures));
        assertThat(answer.status()).as(answer.detail()).isEqualTo(200);
        return answer.body();
    }

    private JsonNode mark(long clip, String kind, String from, String until, int status) {
        var body = new LinkedHashMap<String, Object>(Map.of("kind", kind, "from", from, "word", kind + " thing"));
        if (!until.isEmpty()) {
            body.put("until", until);
        }
        var answer = service.post("/api/v1/clips/" + clip + "/marks", body);
        assertThat(answer.status()).as(answer.detail()).isEqualTo(status);
        return answer.body();
    }

    private List<Path> files() throws IOException {
        var folder = service.folder().resolve("clips");
        if (!Files.isDirectory(folder)) {
            return List.of();
        }
        try (var all = Files.list(folder)) {
            return all.toList();
        }
    }

    @Test
    void aFilmIsKeptMarkedTriedAndGoesWithItsRow() throws IOException {
        var clip = added(250);
        long id = clip.path("id").asLong();
        assertThat(clip.path("until").asString("")).isEqualTo("2027-01-14T06:00:10Z");
        assertThat(clip.path("origin").asString("")).isEqualTo("file");
        assertThat(clip.hasNonNull("because")).isFalse();
        assertThat(files()).hasSize(1);
        mark(id, "wanted", "2027-01-14T06:00:04Z", "2027-01-14T06:00:05.500Z", 200);
        mark(id, "unwanted", "2027-01-14T06:00:07Z", "2027-01-14T06:00:09Z", 200);

        var reports = service.post(
                        "/api/v1/trials",
                        Map.of(
                                "clips",
                                List.of(id),
                                "settings",
                                List.of(
                                        Map.of("name", "keen", "sensitivity", "60", "threshold", "1%"),
                                        Map.of("name", "blunt", "sensitivity", "60", "threshold", "30%"),
                                        Map.of(
                                                "name",
                                                "looking away",
                                                "sensitivity",
                                                "60",
                                                "threshold",
                                                "1%",
                                                "ignore",
                                                List.of("#")))))
                .body()
                .path("clips")
                .path(0)
                .path("reports");
        assertThat(reports.path(0).path("missed").asInt()).as("%s", reports).isZero();
        assertThat(reports.path(0).path("falseStarts").asInt()).isZero();
        // The square is 24 by 24 of 160 by 96; what it leaves behind counts with it.
        assertThat(reports.path(0).path("wanted").path(0).path("level").asDouble())
                .isBetween(3.7, 20.0);
        assertThat(reports.path(1).path("missed").asInt()).isEqualTo(1);
        assertThat(reports.path(2).path("missed").asInt()).isEqualTo(1);

        var levels = service.post("/api/v1/clips/" + id + "/levels", Map.of()).body();
        assertThat(levels.path("pictures")).hasSize(20);
        assertThat(levels.path("counting")).hasSize(63);
        assertThat(levels.has("motion") && !levels.path("motion").isNull()).isFalse();
        var suggestion = service.post("/api/v1/suggestions", Map.of("clips", List.of(id)))
                .body();
        assertThat(suggestion.path("best").path("missed").asInt()).isZero();
        assertThat(service.get("/api/v1/clips/" + id + "/picture?at=2027-01-14T06:00:04.800Z")
                        .status())
                .isEqualTo(200);

        assertThat(service.send("DELETE", "/api/v1/clips/" + id, null).status()).isEqualTo(200);
        assertThat(files()).isEmpty();
        assertThat(service.get("/api/v1/clips/" + id).status()).isEqualTo(404);
        assertThat(service.get("/api/v1/journal?subject=haldr-1/01").body().toString())
                .contains("looks at footage")
                .contains("marks footage as wanted")
                .contains("removes footage");
    }

    @ParameterizedTest
    @ValueSource(
            strings = {
                "",
                "not a film at all",
                "#EXTM3U\n#EXTINF:1,\n/etc/passwd\n",
                "ffconcat version 1.0\nfile '/etc/passwd'\n"
            })
    void whatIsNoFilmIsRefusedInALineAndLeavesNoFile(String content) throws IOException {
        var answer = service.upload(
                "/api/v1/clip-files?camera=haldr-1/01&at=" + AT,
                content.getBytes(java.nio.charset.StandardCharsets.UTF_8));
        assertThat(answer.status()).as(answer.detail()).isEqualTo(400);
        assertThat(answer.detail()).doesNotContain("\n").doesNotContain("root:").hasSizeLessThan(400);
        assertThat(files()).isEmpty();
    }

    @Test
    void aFilmThatIsCutOffIsTakenAsFarAsItGoes() throws IOException {
        byte[] whole = Films.square(250);
        var answer = service.upload(
                "/api/v1/clip-files?camera=haldr-1/01&at=" + AT, Arrays.copyOf(whole, whole.length / 2 + 137));
        assertThat(answer.status()).as(answer.detail()).isEqualTo(200);
        assertThat(answer.body().path("until").asString("")).isBetween("2027-01-14T06:00:04", "2027-01-14T06:00:06");
    }

    @Test
    void whatIsSaidOfAClipHasToMakeSense() throws IOException {
        long id = added(100).path("id").asLong();
        mark(id, "wanted", "2027-01-14T06:00:01Z", "", 200);
        assertThat(mark(id, "unwanted", "2027-01-14T06:00:00Z", "2027-01-14T06:00:02Z", 400)
                        .path("detail")
                        .asString(""))
                .contains("wanted thing")
                .contains("one or the other");
        mark(id, "wanted", "2027-01-14T05:59:59Z", "", 400);
        mark(id, "wanted", "2027-01-14T06:00:03Z", "2027-01-14T06:00:02Z", 400);
        mark(id, "perhaps", "2027-01-14T06:00:01Z", "", 400);
        mark(id, "wanted", "soon", "", 400);
        mark(99, "wanted", "2027-01-14T06:00:01Z", "", 404);
        var marks = service.get("/api/v1/clips/" + id).body().path("marks");
        assertThat(marks).hasSize(1);
        assertThat(service.send(
                                "DELETE",
                                "/api/v1/clips/" + id + "/marks/"
                                        + marks.path(0).path("id").asLong(),
                                null)
                        .status())
                .isEqualTo(200);
        assertThat(service.post("/api/v1/clips/" + id + "/keep", Map.of("because", " ", "days", 5))
                        .status())
                .isEqualTo(400);
        assertThat(service.post("/api/v1/clips/" + id + "/keep", Map.of("because", "x", "days", 0))
                        .status())
                .isEqualTo(400);
        assertThat(service.post("/api/v1/suggestions", Map.of("clips", List.of(id)))
                        .body()
                        .path("said")
                        .asString(""))
                .contains("No moment is marked as wanted");
    }

    @ParameterizedTest
    @ValueSource(strings = {"101", "-1", "keen", "1e3"})
    void aSensitivityThatIsNoneIsRefused(String sensitivity) throws IOException {
        long id = added(60).path("id").asLong();
        var answer = service.post(
                "/api/v1/trials",
                Map.of("clips", List.of(id), "settings", List.of(Map.of("sensitivity", sensitivity))));
        assertThat(answer.status()).isEqualTo(400);
        assertThat(answer.detail()).contains(sensitivity.equals("101") ? "100" : sensitivity);
    }

    @Test
    void filesThatNobodyKnowsGoAndThoseThatAreKeptStay() throws IOException {
        long id = added(60).path("id").asLong();
        service.post("/api/v1/clips/" + id + "/keep", Map.of("because", "an example", "days", 2));
        Files.writeString(service.folder().resolve("clips/left-behind.mkv"), "by a service that died");
        service.bean(Clips.class).sweep();
        assertThat(files()).hasSize(1);
        assertThat(service.get("/api/v1/clips").body()).hasSize(1);
    }

    /** A row of which somebody has taken the file. */
    private long withoutFile(Duration length) {
        var camera = service.bean(FleetStore.class).camera(Node.Camera.parse("haldr-1/01"));
        var begins = Instant.parse(AT);
        var clip = new Clip(
                0,
                camera.id(),
                camera.camera(),
                camera.label(),
                begins,
                begins.plus(length),
                Clip.Origin.FILE,
                "nowhere.mkv",
                1,
                Optional.of("an example"),
                "ada",
                begins,
                Instant.now().plus(Duration.ofDays(1)),
                Optional.empty());
        return service.bean(Database.class)
                .write(() -> service.bean(ClipStore.class).add(clip));
    }

    @Test
    void moreFootageThanIsHeldAtOnceIsNotLookedAtTogether() {
        var answer = service.post("/api/v1/suggestions", Map.of("clips", List.of(withoutFile(Duration.ofMinutes(61)))));
        assertThat(answer.status()).isEqualTo(400);
        assertThat(answer.detail()).contains("61 minutes").contains("at most 60");
    }

    @Test
    void aClipWhoseFileIsGoneSaysSoAndHoldsUpNoPreview() {
        long id = withoutFile(Duration.ofSeconds(10));
        mark(id, "wanted", "2027-01-14T06:00:04Z", "", 200);
        var tried = service.post("/api/v1/trials", Map.of("clips", List.of(id)));
        assertThat(tried.status()).isEqualTo(409);
        assertThat(tried.detail())
                .contains("cannot be read any more")
                .doesNotContain(service.folder().toString());
        service.load("template: house\nmotion: {sensitivity: 5}\n---\ngroup: fleet\nuse: [house]\n");
        var preview = service.post("/api/v1/previews", Map.of());
        assertThat(preview.status()).isEqualTo(200);
        assertThat(preview.body().path("proof").path("untried").toString()).contains("cannot be read any more");
        assertThat(preview.body().path("proof").path("wanted").asInt())
                .as("what was not tried is not caught")
                .isZero();
        assertThat(preview.body().path("cameras")).hasSize(1);
    }

    @Test
    void aRecorderWithoutAReplaySaysSo() {
        var answer = service.post(
                "/api/v1/clips",
                Map.of("camera", "haldr-1/01", "from", "2026-01-14T06:00:00Z", "until", "2026-01-14T06:01:00Z"));
        assertThat(answer.status()).isEqualTo(502);
        assertThat(answer.detail()).contains("haldr-1 does not play what it recorded of 01");
        // Nor does it give a still that is a picture.
        long walk = service.post("/api/v1/walks", Map.of("camera", "haldr-1/01"))
                .body()
                .path("id")
                .asLong();
        var stopped = service.post("/api/v1/walks/" + walk + "/stop", Map.of());
        assertThat(stopped.status()).isEqualTo(502);
        assertThat(stopped.detail()).contains("haldr-1/01").doesNotContain("\n");
        assertThat(service.get("/api/v1/clips").body()).isEmpty();
    }

    @Test
    void aRolloutThatWouldMissWhatIsWantedIsConfirmedByName() throws IOException {
        long id = added(250).path("id").asLong();
        mark(id, "wanted", "2027-01-14T06:00:04Z", "2027-01-14T06:00:05.500Z", 200);
        service.post("/api/v1/clips/" + id + "/keep", Map.of("because", "an example", "days", 2));
        service.load("template: house\nmotion: {sensitivity: 5, threshold: 90%}\n---\ngroup: fleet\nuse: [house]\n");
        var preview = service.post("/api/v1/previews", Map.of()).body();
        var lost = preview.path("proof").path("lost").path(0);
        assertThat(preview.path("proof").path("wanted").asInt()).isEqualTo(1);
        assertThat(lost.path("name").asString("")).isEqualTo("haldr-1/01 wanted thing");
        assertThat(lost.path("caughtNow").asBoolean()).isTrue();
        var refused = service.post(
                "/api/v1/rollouts", Map.of("preview", preview.path("id").asLong()));
        assertThat(refused.status()).isEqualTo(409);
        assertThat(refused.detail()).contains("haldr-1/01 wanted thing");
        var started = service.post(
                "/api/v1/rollouts",
                Map.of("preview", preview.path("id").asLong(), "mayMiss", List.of("haldr-1/01 wanted thing")));
        assertThat(started.status()).isEqualTo(202);
    }
}
