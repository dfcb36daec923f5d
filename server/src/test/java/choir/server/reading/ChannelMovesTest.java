package choir.server.reading;

import static org.assertj.core.api.Assertions.assertThat;

import choir.family.NativeConfig;
import choir.family.NativeValue;
import choir.policy.Catalogue;
import choir.server.FakeRecorders;
import choir.server.TestService;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;

/** Cameras stay what they are, wherever they hang. */
class ChannelMovesTest {
    private TestService service;
    private FakeRecorders.Fake fake;

    @BeforeEach
    void start() {
        service = TestService.start();
        fake = service.added("r1")
                .channel("01", config(50))
                .channel("02", config(60))
                .channel("03", config(60));
        fake.labels.putAll(Map.of("01", "Pier", "02", "Gate", "03", "Hall"));
        service.read();
        service.load("""
                template: house
                motion: {sensitivity: 60}
                ---
                group: fleet
                use: [house]
                ---
                camera: r1/01
                set: {motion.sensitivity: 55}
                because: the pier is far
                """);
        service.audit();
    }

    @AfterEach
    void stop() {
        service.close();
    }

    private static NativeConfig config(int sensitivity) {
        return new NativeConfig(Map.of(Catalogue.SENSITIVITY, NativeValue.number(sensitivity)));
    }

    private List<String> cameras() {
        return service.get("/api/v1/cameras").body().path("items").values().stream()
                .map(c -> c.path("camera").asString() + " " + c.path("label").asString())
                .toList();
    }

    private String overridesOf(String camera) {
        return service.get("/api/v1/cameras/" + camera).body().toString();
    }

    @Test
    void aCameraTakesWithItWhatIsSaidAtItAndItsFindings() {
        assertThat(service.findings()).singleElement().asString().startsWith("r1/01: ");
        fake.held.put("07", fake.held.remove("01"));
        fake.labels.put("07", "Pier");
        service.read();
        service.audit();
        assertThat(service.findings()).anySatisfy(f -> assertThat(f).contains("choir camera move-channel r1/01 r1/07"));

        service.finish(service.post("/api/v1/camera-moves", Map.of("camera", "r1/01", "to", "r1/07")));
        assertThat(overridesOf("r1/07")).contains("the pier is far");
        service.audit();
        // The empty place that was swapped for it is the one that is gone now.
        assertThat(service.findings())
                .anySatisfy(f -> assertThat(f).startsWith("r1/07: ").contains("5"))
                .noneSatisfy(f -> assertThat(f).startsWith("r1/07: The channel"));
    }

    @Test
    void twoThatChangePlacesKeepWhatIsTheirsAndTheChannelsTheirNames() {
        var work = service.finish(service.post("/api/v1/camera-moves", Map.of("camera", "r1/01", "to", "r1/03")));
        assertThat(work.path("state").asString()).isEqualTo("done");
        assertThat(cameras()).containsExactly("r1/01 Pier", "r1/02 Gate", "r1/03 Hall");
        assertThat(overridesOf("r1/03")).contains("the pier is far");
        assertThat(overridesOf("r1/01")).doesNotContain("the pier is far");
        service.audit();
        assertThat(service.findings())
                .anySatisfy(f -> assertThat(f).startsWith("r1/03: Sensitivity"))
                .noneSatisfy(f -> assertThat(f).contains("other channels"));
    }

    @Test
    void whatIsAboutToBeWrittenIsNotMovedAway() {
        var asked = service.post(
                "/api/v1/rollouts",
                Map.of(
                        "preview",
                        service.post("/api/v1/previews", Map.of("select", "camera:r1/01"))
                                .body()
                                .path("id")
                                .asLong(),
                        "secondPerson",
                        true));
        assertThat(asked.status()).isEqualTo(202);
        var refused = service.post("/api/v1/camera-moves", Map.of("camera", "r1/01", "to", "r1/09"));
        assertThat(refused.status()).isEqualTo(409);
        assertThat(refused.detail()).contains("is not through with r1/01");
        assertThat(service.post("/api/v1/recorders/r1/name", Map.of("name", "pier-2"))
                        .detail())
                .contains("is not through with r1/01");
        assertThat(cameras()).contains("r1/01 Pier");
    }

    @Test
    void whatWasWrittenBeforeAMoveIsPutBackWhereTheCameraHangsNow() {
        var rollout = service.giveOut("camera:r1/01");
        service.finish(service.post("/api/v1/camera-moves", Map.of("camera", "r1/01", "to", "r1/03")));
        fake.held.put("03", config(55));
        service.read();
        var undone = service.finish(service.post(
                "/api/v1/rollouts/" + rollout.path("id").asLong() + "/undo", Map.of("select", "camera:r1/03")));
        assertThat(undone.path("note").asString()).isEqualTo("1 verified");
        assertThat(fake.written).contains("03 motion.sensitivity");
    }

    @Test
    void picturesOnOtherChannelsAreNotComparedNorWrittenUntilSomebodySaysWhatItMeans() {
        var preview = service.post("/api/v1/previews", Map.of("select", "")).body();
        assertThat(preview.path("cameras").size()).isEqualTo(1);
        fake.labels.putAll(Map.of("01", "Gate", "02", "Pier"));
        service.audit();
        assertThat(service.findings())
                .anySatisfy(
                        f -> assertThat(f).contains("01 is at 02, 02 is at 01").contains("--follow"));
        assertThat(cameras()).containsExactly("r1/01 Pier", "r1/02 Gate", "r1/03 Hall");
        var ended = service.finish(service.post(
                "/api/v1/rollouts", Map.of("preview", preview.path("id").asLong(), "patience", "PT0S")));
        assertThat(ended.path("state").asString()).isEqualTo("failed");
        assertThat(fake.written).isEmpty();

        assertThat(service.post("/api/v1/recorders/r1/order", Map.of("follow", true))
                        .status())
                .isEqualTo(204);
        assertThat(cameras()).containsExactly("r1/01 Gate", "r1/02 Pier", "r1/03 Hall");
        assertThat(overridesOf("r1/02")).contains("the pier is far");
        assertThat(overridesOf("r1/01")).doesNotContain("the pier is far");
        assertThat(service.post("/api/v1/recorders/r1/order", Map.of("follow", true))
                        .status())
                .isEqualTo(409);
    }

    @Test
    void channelsMayOnlyBeCalledOtherwise() {
        fake.labels.putAll(Map.of("01", "Hall", "02", "Pier", "03", "Gate"));
        service.audit();
        service.post("/api/v1/recorders/r1/order", Map.of("follow", false));
        assertThat(cameras()).containsExactly("r1/01 Hall", "r1/02 Pier", "r1/03 Gate");
        assertThat(overridesOf("r1/01")).contains("the pier is far");
        service.audit();
        assertThat(service.findings()).noneSatisfy(f -> assertThat(f).contains("other channels"));
    }

    @Test
    void oneNewNameIsANewNameAndTwoAlikeSayNothing() {
        fake.labels.put("01", "Quay");
        service.read();
        assertThat(cameras()).contains("r1/01 Quay");
        fake.labels.putAll(Map.of("01", "Hall", "02", "Hall"));
        service.read();
        assertThat(cameras()).containsExactly("r1/01 Hall", "r1/02 Hall", "r1/03 Hall");
    }

    @Test
    void aRecorderThatIsCalledOtherwiseKeepsEverything() {
        service.send("PUT", "/api/v1/recorders/r1/pause", Map.of("until", "2099-01-01", "because", "works"));
        var renamed = service.post("/api/v1/recorders/r1/name", Map.of("name", "pier-2"));
        assertThat(renamed.status()).as(renamed.detail()).isEqualTo(204);
        assertThat(cameras()).containsExactly("pier-2/01 Pier", "pier-2/02 Gate", "pier-2/03 Hall");
        assertThat(overridesOf("pier-2/01")).contains("the pier is far");
        assertThat(service.findings()).singleElement().asString().startsWith("pier-2/01: ");
        assertThat(service.get("/api/v1/recorders/r1").status()).isEqualTo(404);
        service.restart();
        assertThat(cameras()).contains("pier-2/01 Pier");
        service.read("pier-2");
        assertThat(service.get("/api/v1/recorders/pier-2").body().toString()).contains("works");
        assertThat(service.post("/api/v1/recorders/pier-2/name", Map.of("name", "Pier 2"))
                        .status())
                .isEqualTo(400);
        service.added("r2");
        assertThat(service.post("/api/v1/recorders/pier-2/name", Map.of("name", "r2"))
                        .status())
                .isEqualTo(409);
    }
}
