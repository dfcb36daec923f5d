package choir.server.clip;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import choir.area.Enclosure.Corner;
import choir.family.NativeConfig;
import choir.family.NativeValue;
import choir.family.Zone;
import choir.motion.Agreement;
import choir.policy.Catalogue;
import choir.scale.NativeScalar;
import choir.server.TestService;
import java.io.IOException;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;

/** Tuning on films of which it is known what is on them: other looks, areas of their own, several cameras, factors. */
class TuningTest {
    private static final String AT = "2027-01-14T06:00:00Z";
    private static final NativeConfig HELD = new NativeConfig(Map.of(
            Catalogue.SENSITIVITY,
            NativeValue.number(50),
            Catalogue.THRESHOLD,
            NativeValue.number(4),
            Catalogue.DETECTION,
            new NativeValue.Flag(true)));
    private TestService service;

    @BeforeEach
    void start() {
        service = TestService.start();
    }

    @AfterEach
    void stop() {
        service.close();
    }

    private void recorder(String name, int channels) {
        var recorder = service.added(name);
        for (int i = 1; i <= channels; i++) {
            recorder.channel("0" + i, HELD);
        }
        service.read(name);
    }

    /** Kept, with the square as what is wanted and the time after it as what is not. */
    private long marked(String camera, byte[] film) throws IOException {
        var answer = service.upload("/api/v1/clip-files?camera=" + camera + "&at=" + AT, film);
        assertThat(answer.status()).as(answer.detail()).isEqualTo(200);
        long id = answer.body().path("id").asLong();
        service.post("/api/v1/clips/" + id + "/keep", Map.of("because", "an example", "days", 5));
        mark(id, "wanted", "2027-01-14T06:00:04Z", "2027-01-14T06:00:05.500Z");
        mark(id, "unwanted", "2027-01-14T06:00:07.500Z", "2027-01-14T06:00:09Z");
        return id;
    }

    private void mark(long clip, String kind, String from, String until) {
        var answer = service.post(
                "/api/v1/clips/" + clip + "/marks", Map.of("kind", kind, "from", from, "until", until, "word", kind));
        assertThat(answer.status()).as(answer.detail()).isEqualTo(200);
    }

    private JsonNode tried(long clip, Map<String, Object> setting) {
        var answer = service.post("/api/v1/trials", Map.of("clips", List.of(clip), "settings", List.of(setting)));
        assertThat(answer.status()).as(answer.detail()).isEqualTo(200);
        return answer.body().path("clips").path(0);
    }

    @Test
    void moreAndLargerPicturesAreLookedAtWhenAskedAndTheEffortIsTold() throws IOException {
        recorder("haldr-1", 1);
        long id = marked("haldr-1/01", Films.square(250));
        var usual = tried(id, Map.of("sensitivity", "50", "threshold", "1%"))
                .path("reports")
                .path(0);
        var keen = tried(id, Map.of("sensitivity", "50", "threshold", "1%", "pictures", 5, "size", "320x180"))
                .path("reports")
                .path(0);
        assertThat(usual.path("setting").hasNonNull("effort")).isFalse();
        assertThat(keen.path("setting").path("effort").asDouble()).isEqualTo(10);
        assertThat(keen.path("setting").path("size").asString("")).isEqualTo("320x180");
        // The same square in the same picture; what it leaves behind is another at another rate.
        assertThat(keen.path("missed").asInt()).isZero();
        assertThat(keen.path("wanted").path(0).path("level").asDouble()).isBetween(3.0, 20.0);
        // Two seconds of it, to the picture.
        assertThat(keen.path("recordedSeconds").asDouble()).isGreaterThan(1);
    }

    @Test
    void whatCannotBeLookedAtIsRefused() throws IOException {
        recorder("haldr-1", 1);
        long id = marked("haldr-1/01", Films.square(250));
        for (Map<String, Object> odd : List.<Map<String, Object>>of(
                Map.of("pictures", 0),
                Map.of("pictures", 60),
                Map.of("size", "1920x1080"),
                Map.of("size", "large"),
                Map.of("areas", List.of(Map.of("name", "door", "threshold", "1%"))))) {
            var answer = service.post("/api/v1/trials", Map.of("clips", List.of(id), "settings", List.of(odd)));
            assertThat(answer.status()).as("%s", odd).isEqualTo(400);
            assertThat(answer.detail()).containsAnyOf("pictures", "areas");
        }
    }

    @Test
    void eachAreaOfADeviceHasItsOwnCurveItsOwnLineAndItsOwnSuggestion() throws IOException {
        var upper =
                new Zone("wall", List.of(new Corner(0, 0), new Corner(100, 0), new Corner(100, 20), new Corner(0, 20)));
        var lower = new Zone(
                "way", List.of(new Corner(0, 20), new Corner(100, 20), new Corner(100, 70), new Corner(0, 70)));
        service.added("skarvo-1", "fulmar")
                .channel(
                        "01",
                        new NativeConfig(Map.of(
                                Catalogue.AREAS,
                                new NativeValue.Zones(List.of(upper, lower)),
                                Catalogue.SENSITIVITY,
                                new NativeValue.PerArea(List.of(NativeScalar.of(2), NativeScalar.of(10))),
                                Catalogue.THRESHOLD,
                                new NativeValue.PerArea(List.of(NativeScalar.of(2), NativeScalar.of(30))))));
        service.read("skarvo-1");
        long id = marked("skarvo-1/01", Films.square(250));

        var held = tried(id, Map.of("as", "held")).path("reports").path(0);
        var areas = held.path("setting").path("areas");
        assertThat(areas).hasSize(2);
        assertThat(areas.path(0).path("name").asString("")).isEqualTo("wall");
        assertThat(areas.path(1).path("threshold").asDouble()).isEqualTo(30);
        // The square passes in the lower one, which holds a threshold above it.
        assertThat(held.path("missed").asInt()).isEqualTo(1);
        assertThat(held.path("wanted").path(0).path("area").asString("")).isEqualTo("way");
        assertThat(held.path("wanted").path(0).path("threshold").asDouble()).isEqualTo(30);

        var lowered = tried(id, Map.of("as", "held", "areas", List.of(Map.of("name", "way", "threshold", "2%"))))
                .path("reports")
                .path(0);
        assertThat(lowered.path("missed").asInt()).isZero();
        assertThat(lowered.path("setting")
                        .path("areas")
                        .path(0)
                        .path("threshold")
                        .asDouble())
                .isEqualTo(2);
        assertThat(service.post(
                                "/api/v1/trials",
                                Map.of(
                                        "clips",
                                        List.of(id),
                                        "settings",
                                        List.of(Map.of("areas", List.of(Map.of("name", "door", "threshold", "2%"))))))
                        .detail())
                .contains("wall, way");

        var way = service.post("/api/v1/clips/" + id + "/levels", Map.of("area", "way"))
                .body();
        var wall = service.post("/api/v1/clips/" + id + "/levels", Map.of("area", "wall"))
                .body();
        assertThat(way.path("watched").asInt()).isCloseTo(160 * 90 / 2, within(400));
        assertThat(wall.path("watched").asInt()).isCloseTo(160 * 90 / 5, within(400));
        assertThat(most(way)).isGreaterThan(300);
        assertThat(most(wall)).isZero();

        var suggested = service.post("/api/v1/suggestions", Map.of("clips", List.of(id)))
                .body();
        assertThat(suggested.path("best").path("missed").asInt()).isZero();
        assertThat(suggested.path("best").path("setting").path("areas")).hasSize(2);
        assertThat(suggested
                        .path("best")
                        .path("setting")
                        .path("areas")
                        .path(1)
                        .path("threshold")
                        .asDouble())
                .isLessThan(10);
    }

    /** The most pixels that count in a picture at a middling step. */
    private static int most(JsonNode levels) {
        return levels.path("counting")
                .path(20)
                .valueStream()
                .mapToInt(JsonNode::asInt)
                .max()
                .orElse(0);
    }

    @Test
    void oneSettingIsFoundForSeveralCamerasAndWhoNeedsTheirOwn() throws IOException {
        recorder("haldr-1", 4);
        for (var camera : List.of("haldr-1/01", "haldr-1/02", "haldr-1/03")) {
            marked(camera, Films.square(250));
        }
        var found = service.post("/api/v1/group-suggestions", Map.of("select", "recorder:haldr-1"))
                .body();
        assertThat(found.path("served")).as("%s", found).hasSize(3);
        assertThat(found.path("own")).isEmpty();
        assertThat(found.path("said").asString("")).contains("does for 3 of 3 cameras");
        assertThat(found.path("served").path(0).path("missed").asInt()).isZero();
        var setting = found.path("setting");
        long clip = service.get("/api/v1/clips?select=camera:haldr-1/02")
                .body()
                .path(0)
                .path("id")
                .asLong();
        var tried = tried(
                        clip,
                        Map.of(
                                "sensitivity",
                                setting.path("sensitivity").asString(""),
                                "threshold",
                                setting.path("threshold").asDouble() + "%"))
                .path("reports")
                .path(0);
        assertThat(tried.path("missed").asInt()).isZero();
        assertThat(tried.path("falseStarts").asInt()).isZero();
        assertThat(service.post("/api/v1/group-suggestions", Map.of("select", "camera:haldr-1/04"))
                        .status())
                .isEqualTo(404);
    }

    @Test
    void aClipKnowsWhetherItWasTriedWithThePolicyAsItIs() throws IOException {
        recorder("haldr-1", 1);
        service.load("template: house\nmotion: {sensitivity: 60, threshold: 1%}\n---\ngroup: fleet\nuse: [house]\n");
        long id = marked("haldr-1/01", Films.square(250));
        assertThat(tried(id)).isEqualTo("never");
        // A setting that somebody merely tries is not the policy's.
        tried(id, Map.of("threshold", "2%"));
        assertThat(tried(id)).isEqualTo("never");
        service.post("/api/v1/trials", Map.of("clips", List.of(id)));
        assertThat(tried(id)).isEqualTo("now");
        service.load("template: house\nmotion: {sensitivity: 60, threshold: 3%}\n");
        assertThat(tried(id)).isEqualTo("before");
        service.load("template: house\nmotion: {sensitivity: 60, threshold: 1%}\n");
        assertThat(tried(id)).isEqualTo("now");
    }

    private String tried(long id) {
        return service.get("/api/v1/clips/" + id).body().path("tried").asString("");
    }

    @Test
    void aKeptFactorIsUsedForRecordersOfThatKindAloneUntilItIsLetGo() throws IOException {
        recorder("haldr-1", 1);
        long id = marked("haldr-1/01", Films.square(250));
        var before = level(id);
        var device = service.get("/api/v1/recorders/haldr-1").body();
        var model = device.path("model").asString("");
        service.bean(FactorStore.class).keep("tern", model, new Agreement.Factor(2, .5, .9, 12), "ada");
        service.bean(FactorStore.class)
                .keep("tern", model + " of another kind", new Agreement.Factor(8, .5, .9, 12), "ada");
        assertThat(level(id)).isCloseTo(2 * before, within(.1));
        assertThat(tried(id, Map.of("threshold", "1%")).path("factor").asDouble())
                .isEqualTo(2);
        assertThat(service.post("/api/v1/clips/" + id + "/levels", Map.of())
                        .body()
                        .path("factor")
                        .asDouble())
                .isEqualTo(2);
        assertThat(service.get("/api/v1/tuning?camera=haldr-1/01")
                        .body()
                        .path("factor")
                        .asDouble())
                .as("what is seen now is taken as clips are")
                .isEqualTo(2);
        assertThat(service.get("/api/v1/level-factors").body()).hasSize(2);
        assertThat(service.send("DELETE", "/api/v1/level-factors?family=tern&model=" + model.replace(" ", "%20"), null)
                        .status())
                .isEqualTo(200);
        assertThat(service.send("DELETE", "/api/v1/level-factors?family=tern&model=nothing", null)
                        .status())
                .isEqualTo(404);
        assertThat(level(id)).isCloseTo(before, within(1e-9));
        // A file that somebody brought was seen by no recorder.
        assertThat(service.post("/api/v1/level-factors", Map.of("select", ""))
                        .body()
                        .path("said")
                        .toString())
                .contains("no factor is kept");
        assertThat(service.get("/api/v1/journal?subject=family:tern").body().toString())
                .contains("keeps a factor of the level")
                .contains("removes a factor of the level");
    }

    private double level(long id) {
        return tried(id, Map.of("sensitivity", "50", "threshold", "1%"))
                .path("reports")
                .path(0)
                .path("wanted")
                .path(0)
                .path("level")
                .asDouble();
    }

    @Test
    void whatATrialCannotSeePastIsSaid() throws IOException {
        recorder("haldr-1", 1);
        var answer = service.upload("/api/v1/clip-files?camera=haldr-1/01&at=" + AT, Films.black(400));
        long id = answer.body().path("id").asLong();
        var remarks = tried(id, Map.of("threshold", "1%")).path("remarks").toString();
        assertThat(remarks).contains("black").contains("nothing is marked");
    }

    @Test
    void aRecorderWithoutASearchIsSaidToHaveNone() {
        recorder("haldr-1", 1);
        var moments = service.get("/api/v1/moments?camera=haldr-1/01");
        assertThat(moments.status()).isEqualTo(502);
        assertThat(moments.detail()).contains("does not tell what it recorded");
        assertThat(service.get("/api/v1/moments?camera=haldr-1/01&by=colour").status())
                .isEqualTo(400);
        assertThat(service.get("/api/v1/moments?camera=haldr-1/01&by=hour").status())
                .isEqualTo(400);
        assertThat(service.get("/api/v1/moments?camera=haldr-1/01&days=400").status())
                .isEqualTo(400);
        var tried = service.post("/api/v1/trials", Map.of("select", "camera:haldr-1/01", "byEvents", true))
                .body();
        assertThat(tried.path("clips")).isEmpty();
        assertThat(tried.path("untried").toString()).contains("haldr-1/01").contains("does not tell");
    }
}
