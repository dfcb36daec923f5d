package choir.server.policy;

import static org.assertj.core.api.Assertions.assertThat;

import choir.family.NativeConfig;
import choir.family.NativeValue;
import choir.policy.Catalogue;
import choir.policy.SettingKey;
import choir.server.FakeRecorders;
import choir.server.TestService;
import choir.server.TestService.Answer;
import choir.server.db.Database;
import choir.server.fleet.FleetStore;
import choir.server.reading.ObservationStore;
import choir.server.standing.Standings;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.concurrent.Callable;
import java.util.concurrent.CyclicBarrier;
import java.util.concurrent.Executors;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.RepeatedTest;
import org.junit.jupiter.api.Test;

/** Two do the same thing at once: one of them is first, and the other is told or waits; nothing is lost. */
class ConcurrentChangesTest {
    private static TestService service;
    private static FakeRecorders.Fake fake;

    @BeforeAll
    static void start() {
        service = TestService.start();
        fake = service.added("r1")
                .channel("01", new NativeConfig(Map.of(Catalogue.SENSITIVITY, NativeValue.number(50))));
        service.read("r1");
    }

    @AfterAll
    static void stop() {
        service.close();
    }

    /** Runs them as close to each other as can be. */
    private static <T> List<T> atOnce(List<Callable<T>> acts) throws Exception {
        var barrier = new CyclicBarrier(acts.size());
        List<T> results = new ArrayList<>();
        try (var threads = Executors.newFixedThreadPool(acts.size())) {
            var running = acts.stream()
                    .map(act -> threads.submit(() -> {
                        barrier.await();
                        return act.call();
                    }))
                    .toList();
            for (var one : running) {
                results.add(one.get());
            }
        }
        return results;
    }

    private static List<Integer> statuses(List<Answer> answers) {
        return answers.stream().map(Answer::status).sorted().toList();
    }

    private static Callable<Answer> send(String method, String path, Object body, String version) {
        return () -> service.send(method, path, body, "If-Match", version);
    }

    @RepeatedTest(5)
    void overridesOfTheSameVersionAreTakenOnce() throws Exception {
        var version = service.get("/api/v1/overrides?node=camera:r1/01").version();
        List<Callable<Answer>> acts = new ArrayList<>();
        for (int i = 0; i < 4; i++) {
            var body = Map.of(
                    "node",
                    "camera:r1/01",
                    "set",
                    Map.of("motion.sensitivity", Integer.toString(10 + i)),
                    "because",
                    "x",
                    "fixed",
                    false);
            acts.add(send("POST", "/api/v1/overrides", body, version));
        }
        assertThat(statuses(atOnce(acts))).containsExactly(204, 412, 412, 412);
    }

    @Test
    void anOverrideThatDoesNotSayWhatItSawIsAskedTo() {
        var body = Map.of("node", "fleet", "set", Map.of("motion.sensitivity", "9"), "because", "x", "fixed", false);
        assertThat(service.post("/api/v1/overrides", body).status()).isEqualTo(428);
        assertThat(service.send("DELETE", "/api/v1/overrides?node=fleet&key=motion.sensitivity", null)
                        .status())
                .isEqualTo(428);
    }

    @RepeatedTest(3)
    void aCalendarATemplateAndAPlaceTakeEachVersionOnce() throws Exception {
        service.send(
                "PUT",
                "/api/v1/calendars/feasts",
                Map.of("text", "calendar: feasts\ndates: [2027-01-01]\n"),
                "If-Match",
                "*");
        service.post("/api/v1/templates", Map.of("text", "template: house\nmotion: {sensitivity: 1}\n"));
        for (var path : List.of("/api/v1/calendars/feasts", "/api/v1/templates/house", "/api/v1/cameras/r1/01")) {
            var version = service.get(path).version();
            var body = switch (path) {
                case "/api/v1/calendars/feasts" -> Map.of("text", "calendar: feasts\ndates: [2027-01-02]\n");
                case "/api/v1/templates/house" -> Map.of("text", "template: house\nmotion: {sensitivity: 2}\n");
                default -> Map.of("tags", List.of("t" + System.nanoTime()));
            };
            var act = path.contains("cameras")
                    ? send("PUT", path + "/placing", body, version)
                    : send("PUT", path, body, version);
            int taken = path.contains("calendars") ? 200 : 204;
            assertThat(statuses(atOnce(List.of(act, act, act)))).as(path).containsExactly(taken, 412, 412);
        }
    }

    @RepeatedTest(3)
    void aRecorderIsAddedAndRemovedOnce() throws Exception {
        service.recorders().add("twice");
        Callable<Answer> add = () -> service.post(
                "/api/v1/recorders",
                Map.of(
                        "name", "twice",
                        "address", FakeRecorders.address("twice"),
                        "user", "u",
                        "password", "p",
                        "family", "tern"));
        assertThat(statuses(atOnce(List.of(add, add, add)))).containsExactly(201, 409, 409);
        var version = service.get("/api/v1/recorders/twice").version();
        Callable<Answer> remove = () -> service.send("DELETE", "/api/v1/recorders/twice", null, "If-Match", version);
        assertThat(statuses(atOnce(List.of(remove, remove)))).containsExactly(204, 404);
    }

    @RepeatedTest(5)
    void noBaselineIsLostWhenTwoVerifyDifferentSettings() throws Exception {
        var observations = service.bean(ObservationStore.class);
        var database = service.bean(Database.class);
        long camera = service.bean(FleetStore.class).camerasOf("r1").getFirst().id();
        List<SettingKey> keys = List.of(Catalogue.SENSITIVITY, Catalogue.BEFORE_EVENT, Catalogue.AFTER_EVENT);
        List<Callable<Boolean>> acts = new ArrayList<>();
        for (var key : keys) {
            acts.add(() -> {
                database.write(() ->
                        observations.verified(camera, Map.of(key, NativeValue.number(System.nanoTime() % 7))));
                return true;
            });
        }
        atOnce(acts);
        var baseline = service.bean(Standings.class).all().getFirst().baseline();
        assertThat(baseline.values()).containsKeys(keys.toArray(SettingKey[]::new));
    }

    @Test
    void thePreviewThatTwoStartAtOnceIsWrittenOnce() throws Exception {
        service.load("template: quay\nmotion: {sensitivity: 77}\n---\ncamera: r1/01\nuse: [quay]\n");
        service.send("DELETE", "/api/v1/overrides?node=camera:r1/01&key=motion.sensitivity", null, "If-Match", "*");
        var preview = service.post("/api/v1/previews", Map.of("select", "camera:r1/01"));
        long id = preview.body().path("id").asLong();
        fake.written.clear();
        Callable<Answer> start = () -> service.post("/api/v1/rollouts", Map.of("preview", id));
        var started = atOnce(List.of(start, start));
        assertThat(started).extracting(Answer::status).containsExactlyInAnyOrder(202, 409);
        started.stream()
                .filter(s -> s.status() == 202)
                .forEach(s ->
                        assertThat(service.finish(s).path("note").asString()).isEqualTo("1 verified"));
        assertThat(fake.written).hasSize(1);
    }
}
