package choir.server.reading;

import static org.assertj.core.api.Assertions.assertThat;

import choir.family.NativeConfig;
import choir.family.NativeValue;
import choir.policy.Catalogue;
import choir.server.FakeRecorders;
import choir.server.TestService;
import choir.server.db.Database;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.concurrent.CountDownLatch;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;

/** A sweep over recorders that fail, hang, are removed, or die with the service. */
class SweepsTest {
    private TestService service;
    private final Map<String, FakeRecorders.Fake> fakes = new LinkedHashMap<>();

    @BeforeEach
    void start() {
        service = TestService.start();
        service.load("template: house\nmotion: {sensitivity: 70}\n---\ngroup: fleet\nuse: [house]\n");
        for (int i = 1; i <= 5; i++) {
            var name = "r" + i;
            fakes.put(
                    name,
                    service.added(name)
                            .channel("01", new NativeConfig(Map.of(Catalogue.SENSITIVITY, NativeValue.number(50)))));
        }
        service.read();
    }

    @AfterEach
    void stop() {
        service.close();
    }

    private String recorderOf(String name) {
        return service.get("/api/v1/recorders/" + name).body().toString();
    }

    @Test
    void oneThatFailsIsOneLineAndTheOthersAreSettled() {
        fakes.get("r3").goAway();
        var work = service.audit();
        assertThat(work.path("state").asString()).isEqualTo("partly");
        assertThat(work.path("done").asInt()).isEqualTo(5);
        assertThat(work.path("failed").asInt()).isOne();
        assertThat(service.findings())
                .contains("r3: The recorder could not be read: r3 cannot be reached.")
                .filteredOn(f -> f.contains("Sensitivity"))
                .hasSize(4);
    }

    @Test
    void oneThatIsRemovedBeforeItsTurnIsOneLineAndTheAuditGoesOn() {
        var removed = new CountDownLatch(1);
        fakes.get("r1").beforeRead = () -> {
            service.send("DELETE", "/api/v1/recorders/r5", null, "If-Match", "*");
            removed.countDown();
        };
        fakes.get("r5").beforeRead = () -> await(removed);
        var work = service.audit();
        assertThat(work.path("state").asString()).isEqualTo("partly");
        assertThat(work.path("done").asInt()).isEqualTo(5);
        assertThat(work.path("failed").asInt()).isOne();
        assertThat(service.findings())
                .filteredOn(f -> f.contains("Sensitivity"))
                .hasSize(4);
        assertThat(recorderOf("r5")).contains("there is no recorder");
    }

    @Test
    void aMistakeOfOurOwnAtOneRecorderIsItsLineAlone() {
        service.bean(Database.class)
                .write(() -> service.bean(Database.class)
                        .change("CREATE TRIGGER broken BEFORE UPDATE ON observation"
                                + " WHEN NEW.camera = (SELECT id FROM camera WHERE recorder = 'r2')"
                                + " BEGIN SELECT RAISE(ABORT, 'broken'); END")
                        .update());
        var work = service.read("r1", "r2", "r3");
        assertThat(work.path("state").asString()).isEqualTo("partly");
        assertThat(work.path("failed").asInt()).isOne();
        assertThat(work.path("note").asString()).startsWith("r2: the service failed at this recorder");
    }

    @Test
    void aRestartGoesOnWhereItWas() {
        var stopping = new CountDownLatch(1);
        List<String> asked = new ArrayList<>();
        // One answers at once; the others only after the service has begun to stop, which must tell nothing about them.
        fakes.forEach((name, fake) -> fake.beforeRead = () -> {
            synchronized (asked) {
                asked.add(name);
            }
            if (!name.equals("r1")) {
                await(stopping);
            }
        });
        var started = service.post("/api/v1/audits", Map.of());
        long id = started.body().path("id").asLong();
        while (service.get("/api/v1/works/" + id).body().path("done").asInt() < 1) {
            Thread.onSpinWait();
        }
        asked.clear();
        stopping.countDown();
        fakes.values()
                .forEach(f -> f.beforeRead = () -> {
                    synchronized (asked) {
                        asked.add(f.name);
                    }
                });
        service.restart();
        service.get("/api/v1/works/" + id + "/progress");
        var work = service.get("/api/v1/works/" + id).body();
        assertThat(work.path("state").asString()).isEqualTo("done");
        assertThat(work.path("done").asInt()).isEqualTo(5);
        assertThat(work.path("failed").asInt()).isZero();
        assertThat(asked).doesNotContain("r1");
    }

    @Test
    void workThatSomebodyStopsEndsInWordsAndLetsItsRecordersGo() {
        var stopped = new CountDownLatch(1);
        fakes.values().forEach(f -> f.beforeRead = () -> await(stopped));
        var started = service.post("/api/v1/audits", Map.of());
        long id = started.body().path("id").asLong();
        assertThat(service.post("/api/v1/works/" + id + "/stop", Map.of()).status())
                .isEqualTo(202);
        stopped.countDown();
        service.get("/api/v1/works/" + id + "/progress");
        var work = service.get("/api/v1/works/" + id).body();
        assertThat(work.path("state").asString()).isEqualTo("stopped");
        assertThat(work.path("note").asString()).contains("stopped by ada");
        assertThat(service.post("/api/v1/works/" + id + "/stop", Map.of()).status())
                .isEqualTo(409);
        // They can be spoken to again.
        assertThat(service.read("r1", "r2").path("failed").asInt()).isZero();
    }

    @Test
    void anOldReadingCannotBeStoredAfterANewerOne() throws InterruptedException {
        // The first reading is asked for, and sees 50; before it is stored, the value is turned and read again.
        var first = new CountDownLatch(1);
        var fake = fakes.get("r1");
        fake.beforeRead = first::countDown;
        var older = Thread.ofPlatform().start(() -> service.read("r1"));
        await(first);
        fake.beforeRead = () -> {};
        fake.turn("01", Catalogue.SENSITIVITY, NativeValue.number(70));
        service.read("r1");
        older.join();
        assertThat(service.get("/api/v1/cameras/r1/01").body().path("row").path("states"))
                .hasToString("[\"in-tune\"]");
    }

    private static void await(CountDownLatch latch) {
        try {
            latch.await();
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            throw new IllegalStateException(e);
        }
    }

    @Test
    void aSweepThatCouldReadNothingIsNotDone() {
        fakes.values().forEach(FakeRecorders.Fake::goAway);
        assertThat(service.audit().path("state").asString()).isEqualTo("failed");
        assertThat(service.read("r1").path("state").asString()).isEqualTo("failed");
    }
}
