package choir.server.rollout;

import static org.assertj.core.api.Assertions.assertThat;

import choir.family.NativeConfig;
import choir.family.NativeValue;
import choir.link.Writing;
import choir.policy.Catalogue;
import choir.server.FakeRecorders;
import choir.server.TestService;
import choir.server.TestService.Answer;
import choir.server.db.Database;
import java.time.Duration;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import java.util.concurrent.Callable;
import java.util.concurrent.CountDownLatch;
import java.util.concurrent.Executors;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;

/** Whole rollouts over recorders that do what real ones do. */
class RolloutsTest {
    private TestService service;
    private final Map<String, FakeRecorders.Fake> fakes = new LinkedHashMap<>();

    @BeforeEach
    void start() {
        service = TestService.start();
        service.load("template: house\nmotion: {sensitivity: 70}\n---\ngroup: fleet\nuse: [house]\n");
        for (var name : List.of("r1", "r2", "r3", "r4")) {
            fakes.put(name, service.added(name).channel("01", config(50)).channel("02", config(50)));
        }
        service.read();
    }

    @AfterEach
    void stop() {
        service.close();
    }

    private static NativeConfig config(int sensitivity) {
        return new NativeConfig(Map.of(Catalogue.SENSITIVITY, NativeValue.number(sensitivity)));
    }

    private long preview(String select) {
        return service.post("/api/v1/previews", Map.of("select", select))
                .body()
                .path("id")
                .asLong();
    }

    private Answer started(long preview, int first, int mayFail, String patience) {
        return service.post(
                "/api/v1/rollouts",
                Map.of(
                        "preview",
                        preview,
                        "waves",
                        List.of(String.valueOf(first)),
                        "maxFailedPercent",
                        mayFail,
                        "patience",
                        patience));
    }

    private JsonNode ended(long preview, int first, int mayFail, String patience) {
        return service.finish(started(preview, first, mayFail, patience));
    }

    private Map<String, String> states(JsonNode work) {
        Map<String, String> states = new TreeMap<>();
        service.get("/api/v1/rollouts/" + work.path("id").asLong())
                .body()
                .path("steps")
                .forEach(s ->
                        states.put(s.path("camera").asString(), s.path("state").asString()));
        return states;
    }

    private List<String> folds(JsonNode work) {
        return service.get("/api/v1/rollouts/" + work.path("id").asLong())
                .body()
                .path("folds")
                .valueStream()
                .map(f -> f.path("state").asString() + " " + f.path("cameras"))
                .toList();
    }

    private static String end(JsonNode work) {
        return work.path("state").asString() + ": " + work.path("note").asString();
    }

    private static String held(FakeRecorders.Fake fake, String channel) {
        return choir.family.NativeText.of(
                fake.held.get(channel).get(Catalogue.SENSITIVITY).orElseThrow());
    }

    private static void pauseOf(long millis) {
        try {
            Thread.sleep(millis);
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            throw new IllegalStateException(e);
        }
    }

    @Test
    void itEndsInWordsThatAreTrueOfItsSteps() {
        assertThat(end(ended(preview("recorder:r1"), 3, 0, "PT0S"))).isEqualTo("done: all 2 verified");
        fakes.get("r2").refusing.add("02");
        assertThat(end(ended(preview("recorder:r2"), 3, 100, "PT0S"))).isEqualTo("partly: 1 verified, 1 failed");
        fakes.get("r3").refusing.addAll(List.of("01", "02"));
        assertThat(end(ended(preview("recorder:r3"), 3, 100, "PT0S"))).isEqualTo("failed: 2 failed");
    }

    @Test
    void aRecorderThatIsAwayForAWhileIsTriedAgain() {
        var fake = fakes.get("r1");
        long preview = preview("recorder:r1,r2");
        fake.goAway();
        var started = started(preview, 4, 0, "PT2M");
        pauseOf(700);
        fake.comeBack();
        assertThat(end(service.finish(started))).isEqualTo("done: all 4 verified");
        assertThat(fake.written).hasSize(2);
    }

    @Test
    void onesThatGoesAwayInTheMiddleIsFinishedWhenItComesBackAndNothingIsWrittenTwice() {
        var fake = fakes.get("r1");
        long preview = preview("recorder:r1");
        fake.beforeChannel = channel -> {
            if (channel.equals("02")) {
                fake.goAway();
                fake.beforeChannel = c -> {};
            }
        };
        var started = started(preview, 4, 0, "PT2M");
        pauseOf(500);
        fake.comeBack();
        assertThat(end(service.finish(started))).isEqualTo("done: all 2 verified");
        assertThat(fake.written).containsExactly("01 motion.sensitivity", "02 motion.sensitivity");
    }

    @Test
    void atTheDeadlineWhatWasNotBegunFailsAndWhatMayHaveGoneOutStaysUnsettledUntilItIsRead() {
        var fake = fakes.get("r1");
        long preview = preview("recorder:r1");
        fake.afterWrite = fake::goAway;
        var work = ended(preview, 4, 0, "PT0S");
        assertThat(end(work))
                .isEqualTo(
                        "partly: 2 unsettled; the next reading of their recorders tells what became of the unsettled");
        fake.comeBack();
        service.read("r1");
        assertThat(states(work)).containsEntry("r1/01", "verified").containsEntry("r1/02", "verified");
        fakes.get("r2").goAway();
        // Its preview was made while it was there.
        fakes.get("r2").comeBack();
        long second = preview("recorder:r2");
        fakes.get("r2").goAway();
        assertThat(end(ended(second, 4, 0, "PT0S"))).isEqualTo("failed: 2 failed");
    }

    @Test
    void aWaveThatWasWhollySkippedDoesNotLetTheNextOneWrite() {
        long preview = preview("");
        fakes.get("r1").turn("01", Catalogue.SENSITIVITY, NativeValue.number(33));
        fakes.get("r1").turn("02", Catalogue.SENSITIVITY, NativeValue.number(33));
        var work = ended(preview, 2, 100, "PT0S");
        assertThat(end(work))
                .isEqualTo("stopped: stopped after wave 1: not one of 2 cameras was verified; 6 not begun; 8 skipped");
        assertThat(fakes.get("r2").written).isEmpty();
    }

    @Test
    void aRecorderThatStaysSilentStopsTheWavesAfterIt() {
        fakes.get("r1").gap = Optional.of(new Writing.Gap(Duration.ofSeconds(40), false));
        var work = ended(preview(""), 2, 100, "PT0S");
        assertThat(end(work))
                .isEqualTo(
                        "stopped: stopped after wave 1: r1 was not seen to record again within 40 s of being written;"
                                + " look at it; 6 not begun; 2 verified, 6 skipped");
        assertThat(states(work)).containsEntry("r1/01", "verified").containsEntry("r2/01", "skipped");
        assertThat(service.get("/api/v1/rollouts/" + work.path("id").asLong())
                        .body()
                        .path("steps")
                        .get(0)
                        .path("detail")
                        .asString())
                .contains("r1 was not seen to record again");
        assertThat(fakes.get("r2").written).isEmpty();
    }

    @Test
    void theGapThatWasMeasuredIsToldByTheNextPreviewAlsoOfOthersOfTheFamily() {
        for (var name : List.of("g1", "g2")) {
            var fake = service.added(name, "gannet").channel("01", level(3)).channel("02", level(3));
            fake.maker = "Gannet";
            fake.model = "GD-8";
            fake.gap = Optional.of(new Writing.Gap(Duration.ofMillis(2_400), true));
        }
        service.read();
        var first = service.post("/api/v1/previews", Map.of("select", "recorder:g1,g2"));
        assertThat(first.body().path("pauses")).hasSize(2);
        var pause = first.body().path("pauses").get(0);
        assertThat(pause.path("recorders").get(0).asString()).isEqualTo("g1");
        assertThat(pause.path("allChannels").asBoolean()).isTrue();
        assertThat(pause.path("cameras").asInt()).isEqualTo(2);
        assertThat(pause.hasNonNull("last")).isFalse();
        ended(preview("recorder:g1"), 4, 0, "PT0S");
        fakes.values().forEach(f -> f.turn("01", Catalogue.SENSITIVITY, NativeValue.number(33)));
        service.recorders().at("g1").turn("01", Catalogue.SENSITIVITY, NativeValue.number(1));
        service.read();
        var told = service.post("/api/v1/previews", Map.of("select", "recorder:g1,g2,r1"))
                .body()
                .path("pauses");
        assertThat(told).hasSize(2).allSatisfy(p -> {
            assertThat(p.path("last").path("gapSeconds").asDouble()).isEqualTo(2.4);
            assertThat(p.path("last").path("recorder").asString()).isEqualTo("g1");
        });
    }

    @Test
    void whatManyOfAFamilyDoIsSaidOnce() {
        for (var name : List.of("g1", "g2", "g3", "g4")) {
            var fake = service.added(name, "gannet").channel("01", level(3));
            fake.maker = "Gannet";
            fake.model = "GD-8";
        }
        service.read();
        var pauses = service.post("/api/v1/previews", Map.of("select", "recorder:g1,g2,g3,g4"))
                .body()
                .path("pauses");
        assertThat(pauses.values()).singleElement().satisfies(p -> {
            assertThat(p.path("recorders").size()).isEqualTo(4);
            assertThat(p.path("allChannels").asBoolean()).isTrue();
        });
    }

    private static NativeConfig level(int level) {
        return new NativeConfig(Map.of(Catalogue.SENSITIVITY, NativeValue.number(level)));
    }

    @Test
    void aPreviewIsGivenOutOnceEvenWhenTwoStartItAtOnce() throws Exception {
        long preview = preview("");
        List<Answer> answers = new ArrayList<>();
        try (var both = Executors.newFixedThreadPool(2)) {
            var ready = new CountDownLatch(2);
            for (var one : both.invokeAll(
                    List.<Callable<Answer>>of(() -> atOnce(ready, preview), () -> atOnce(ready, preview)))) {
                answers.add(one.get());
            }
        }
        assertThat(answers).extracting(Answer::status).containsExactlyInAnyOrder(202, 409);
        answers.forEach(a -> {
            if (a.status() == 409) {
                assertThat(a.detail()).contains("was given out already, as rollout");
            } else {
                service.finish(a);
            }
        });
        fakes.values().forEach(fake -> assertThat(fake.written).hasSize(2));
        assertThat(started(preview, 3, 0, "PT0S").status()).isEqualTo(409);
    }

    private Answer atOnce(CountDownLatch ready, long preview) throws InterruptedException {
        ready.countDown();
        ready.await();
        return started(preview, 100, 0, "PT0S");
    }

    @Test
    void twoRolloutsThatTouchTheSameRecorderQueue() {
        var fake = fakes.get("r1");
        long first = preview("recorder:r1");
        long second = preview("camera:r1/02");
        var reached = new CountDownLatch(1);
        var goOn = new CountDownLatch(1);
        fake.beforeWrite = () -> {
            fake.beforeWrite = () -> {};
            reached.countDown();
            await(goOn);
        };
        var older = started(first, 3, 0, "PT0S");
        await(reached);
        var younger = started(second, 3, 0, "PT0S");
        pauseOf(600);
        long id = younger.body().path("id").asLong();
        assertThat(service.get("/api/v1/works/" + id).body().path("note").asString())
                .isEqualTo("waiting: rollout " + older.body().path("id").asLong() + " is not through with r1");
        goOn.countDown();
        assertThat(end(service.finish(older))).isEqualTo("done: all 2 verified");
        assertThat(end(service.finish(younger))).isEqualTo("partly: 1 skipped");
        assertThat(fake.written).hasSize(2);
    }

    private static void await(CountDownLatch latch) {
        try {
            latch.await();
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            throw new IllegalStateException(e);
        }
    }

    private Answer undo(JsonNode work, Map<String, Object> options) {
        return service.post("/api/v1/rollouts/" + work.path("id").asLong() + "/undo", options);
    }

    @Test
    void undoPutsBackWhatAStepChangedInPartAndCanBeOfSomeCameras() {
        fakes.get("r1").forgetting.add(Catalogue.SENSITIVITY);
        var work = ended(preview("recorder:r1,r2"), 10, 100, "PT0S");
        assertThat(end(work)).isEqualTo("partly: 2 verified, 2 mismatched");
        assertThat(folds(work)).containsExactly("mismatched [\"r1/01\",\"r1/02\"]", "verified [\"r2/01\",\"r2/02\"]");
        assertThat(end(service.finish(undo(work, Map.of("select", "camera:r2/01")))))
                .isEqualTo("done: all 1 verified".replace("all 1", "1"));
        assertThat(held(fakes.get("r2"), "01")).isEqualTo("50");
        assertThat(held(fakes.get("r2"), "02")).isEqualTo("70");
        // What did not take needs nothing, and what was put back already has moved.
        assertThat(end(service.finish(undo(work, Map.of("waves", List.of("1"))))))
                .contains("skipped");
    }

    @Test
    void undoBesideALaterRolloutDoesNotUndoThatOne() {
        var first = ended(preview("recorder:r1"), 10, 0, "PT0S");
        fakes.get("r1").turn("01", Catalogue.SENSITIVITY, NativeValue.number(20));
        service.read("r1");
        var second = ended(preview("recorder:r1"), 10, 0, "PT0S");
        assertThat(states(second)).containsOnlyKeys("r1/01");
        var undone = service.finish(undo(first, Map.of()));
        assertThat(states(undone)).containsEntry("r1/01", "skipped").containsEntry("r1/02", "verified");
        assertThat(held(fakes.get("r1"), "01")).isEqualTo("70");
        assertThat(undo(second, Map.of()).status()).isEqualTo(202);
    }

    @Test
    void whatAnUnsettledStepMayHaveWrittenCanBeUndone() {
        var fake = fakes.get("r1");
        fake.afterWrite = fake::goAway;
        var work = ended(preview("recorder:r1"), 10, 0, "PT0S");
        assertThat(states(work)).containsValue("unsettled");
        fake.afterWrite = () -> {};
        fake.comeBack();
        assertThat(end(service.finish(undo(work, Map.of())))).isEqualTo("done: all 2 verified");
        assertThat(states(work).values()).containsOnly("verified");
        assertThat(held(fake, "01")).isEqualTo("50");
    }

    @Test
    void aRolloutThatIsPausedWritesNothingUntilItIsTakenUpAgain() {
        long preview = preview("");
        var reached = new CountDownLatch(1);
        var goOn = new CountDownLatch(1);
        fakes.get("r1").beforeWrite = () -> {
            fakes.get("r1").beforeWrite = () -> {};
            reached.countDown();
            await(goOn);
        };
        var started = started(preview, 2, 0, "PT0S");
        long id = started.body().path("id").asLong();
        await(reached);
        assertThat(service.post("/api/v1/rollouts/" + id + "/pause", Map.of()).status())
                .isEqualTo(202);
        goOn.countDown();
        while (!service.get("/api/v1/works/" + id)
                .body()
                .path("state")
                .asString()
                .equals("paused")) {
            pauseOf(20);
        }
        assertThat(fakes.get("r1").written).hasSize(2);
        assertThat(fakes.get("r2").written).isEmpty();
        service.restart();
        pauseOf(300);
        assertThat(fakes.get("r2").written).isEmpty();
        assertThat(service.post("/api/v1/rollouts/" + id + "/resume", Map.of()).status())
                .isEqualTo(202);
        assertThat(end(service.finish(started))).isEqualTo("done: all 8 verified");
    }

    @Test
    void aPausedRolloutCanBeStopped() {
        long preview = preview("");
        var goOn = new CountDownLatch(1);
        fakes.get("r1").beforeWrite = () -> await(goOn);
        var started = started(preview, 2, 0, "PT0S");
        long id = started.body().path("id").asLong();
        service.post("/api/v1/rollouts/" + id + "/pause", Map.of());
        goOn.countDown();
        while (!service.get("/api/v1/works/" + id)
                .body()
                .path("state")
                .asString()
                .equals("paused")) {
            pauseOf(20);
        }
        assertThat(service.post("/api/v1/works/" + id + "/stop", Map.of()).status())
                .isEqualTo(202);
        assertThat(end(service.finish(started))).startsWith("stopped: stopped by ada; ");
        assertThat(fakes.get("r2").written).isEmpty();
        assertThat(service.post("/api/v1/rollouts/" + id + "/resume", Map.of()).status())
                .isEqualTo(409);
    }

    /** As a kill in the middle leaves it. */
    @Test
    void aStepThatACrashLeftAtARecorderThatIsAwayIsSettledWhenItIsBack() {
        long preview = preview("recorder:r1");
        var goOn = new CountDownLatch(1);
        var reached = new CountDownLatch(1);
        fakes.get("r1").beforeRead = () -> {
            reached.countDown();
            await(goOn);
        };
        var started = started(preview, 4, 0, "PT2M");
        await(reached);
        var database = service.bean(Database.class);
        fakes.get("r1").goAway();
        database.write(() -> database.change("UPDATE rollout_step SET state = 'WRITING' WHERE channel = '01'")
                .update());
        fakes.get("r1").turn("01", Catalogue.SENSITIVITY, NativeValue.number(70));
        goOn.countDown();
        pauseOf(500);
        var steps = service.get("/api/v1/rollouts/" + started.body().path("id").asLong())
                .body()
                .path("steps");
        assertThat(steps.path(0).path("state").asString()).isEqualTo("unsettled");
        assertThat(steps.path(1).path("state").asString()).isEqualTo("planned");
        fakes.get("r1").comeBack();
        assertThat(end(service.finish(started))).isEqualTo("done: all 2 verified");
        assertThat(fakes.get("r1").written).containsExactly("02 motion.sensitivity");
    }

    @Test
    void aTimeThatIsNoneIsRefused() {
        assertThat(started(preview("recorder:r1"), 3, 0, "soon").detail()).contains("PT30M");
        assertThat(started(preview("recorder:r1"), 3, 0, "-PT1H").status()).isEqualTo(400);
    }

    @Test
    void whatIsHeldAndNotKnownIsNotWrittenOver() {
        service.load("template: house\nmotion: {sensitivity: 66, threshold: 9%}\n");
        var preview = service.post("/api/v1/previews", Map.of("select", "camera:r1/01"))
                .body();
        // Its recorder says nothing of a threshold.
        assertThat(preview.path("cameras").path(0).path("changes")).hasSize(1);
        assertThat(preview.path("cameras").path(0).path("cannot").toString()).contains("not written over");
        service.giveOut("camera:r1/01");
        var again = service.post("/api/v1/previews", Map.of("select", "camera:r1/01"))
                .body();
        assertThat(again.path("inTune").asInt()).isZero();
        assertThat(again.path("unread").path(0).path("why").asString())
                .isEqualTo("threshold is not known, so nothing is written over");
    }
}
