package choir.server.password;

import static org.assertj.core.api.Assertions.assertThat;

import choir.family.NativeConfig;
import choir.family.NativeValue;
import choir.link.LinkException;
import choir.link.LinkException.Reason;
import choir.policy.Catalogue;
import choir.server.FakeRecorders;
import choir.server.TestService;
import java.time.Duration;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.CountDownLatch;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;

/** New passwords at many recorders: never one whose password nobody knows. */
class PasswordsTest {
    private static final String FRESH = "a quiet new harbour";

    private TestService service;
    private final List<FakeRecorders.Fake> fakes = new ArrayList<>();

    @BeforeEach
    void start() {
        service = TestService.start();
        var config = new NativeConfig(Map.of(Catalogue.SENSITIVITY, NativeValue.number(50)));
        for (int i = 1; i <= 4; i++) {
            fakes.add(service.added("r" + i).channel("01", config));
        }
        service.read();
        // Only now, since what the service was told is whatever it is.
        fakes.forEach(f -> f.onPassword = fresh -> f.password = Optional.of(fresh));
    }

    @AfterEach
    void stop() {
        service.close();
    }

    private static Map<String, Object> wish(String select) {
        return new HashMap<>(Map.of("select", select, "password", FRESH, "plain", true, "waves", List.of("1")));
    }

    private JsonNode change(Map<String, Object> wish) {
        return service.finish(service.post("/api/v1/password-changes", wish));
    }

    private boolean canBeRead(String recorder) {
        service.read();
        return !service.get("/api/v1/recorders/" + recorder).body().has("trouble");
    }

    @Test
    void everyRecorderTakesTheNewOneAndIsReadByIt() {
        var work = change(wish(""));
        assertThat(work.path("state").asString()).isEqualTo("done");
        assertThat(work.path("note").asString()).isEqualTo("4 of 4 passwords changed");
        assertThat(fakes).allSatisfy(f -> assertThat(f.password).contains(FRESH));
        assertThat(canBeRead("r1")).isTrue();
        assertThat(fakes).allSatisfy(f -> assertThat(f.wrongTries).hasValue(0));
        assertThat(work.toString() + service.get("/api/v1/journal").body())
                .doesNotContain(FRESH)
                .contains("changed the password at a recorder");
    }

    @Test
    void withoutAPasswordEachGetsOneOfItsOwn() {
        var wish = wish("");
        wish.remove("password");
        change(wish);
        assertThat(fakes.stream().map(f -> f.password.orElseThrow()).distinct())
                .hasSize(4)
                .allMatch(p -> p.length() == 24);
        assertThat(canBeRead("r3")).isTrue();
    }

    @Test
    void whoWouldBeReadableOnTheWayIsLeftOutUnlessThatIsSaid() {
        var wish = wish("");
        wish.remove("plain");
        var outlook = service.post("/api/v1/password-changes/outlook", wish).body();
        assertThat(outlook.path("changed").asInt()).isZero();
        assertThat(outlook.path("recorders").path(0).path("why").asString()).contains("without TLS");
        assertThat(service.post("/api/v1/password-changes", wish).status()).isEqualTo(409);
        assertThat(fakes).allSatisfy(f -> assertThat(f.password).isEmpty());
    }

    @Test
    void aRecorderThatDoesNotTakeItKeepsTheOldOneAndEndsTheWork() {
        fakes.getFirst().onPassword = fresh -> {};
        fakes.getFirst().password = Optional.of("p");
        var work = change(wish(""));
        assertThat(work.path("state").asString()).isEqualTo("partly");
        assertThat(work.path("note").asString())
                .contains("0 of 4 passwords changed")
                .contains("r1: r1 did not take the new password, and keeps the old one")
                .contains("3 left as they were");
        assertThat(fakes.get(1).password).isEmpty();
        assertThat(canBeRead("r1")).isTrue();
        assertThat(change(wish("recorder:r2")).path("state").asString())
                .as("what was left is not on its way any more")
                .isEqualTo("done");
    }

    @Test
    void aRecorderThatGoesAwayAfterItTookItIsFoundByTheNextReading() {
        var one = fakes.getFirst();
        one.onPassword = fresh -> {
            one.password = Optional.of(fresh);
            one.goAway();
            throw new LinkException(Reason.TIMED_OUT, "r1 did not answer");
        };
        var work = change(wish("recorder:r1"));
        assertThat(work.path("note").asString()).contains("both are kept, and the next reading tries them");
        assertThat(service.post("/api/v1/password-changes", wish("recorder:r1")).detail())
                .contains("a new password on its way already");
        one.comeBack();
        assertThat(canBeRead("r1")).isTrue();
        one.wrongTries.set(0);
        assertThat(canBeRead("r1")).isTrue();
        assertThat(one.wrongTries).as("by now it is known").hasValue(0);
    }

    @Test
    void aRecorderThatGoesAwayBeforeItTookItIsFoundToKeepTheOldOne() {
        var one = fakes.getFirst();
        one.password = Optional.of("p");
        one.onPassword = fresh -> {
            one.goAway();
            throw new LinkException(Reason.UNREACHABLE, "r1 cannot be reached");
        };
        change(wish("recorder:r1"));
        one.comeBack();
        assertThat(canBeRead("r1")).isTrue();
        one.onPassword = fresh -> one.password = Optional.of(fresh);
        assertThat(change(wish("recorder:r1")).path("state").asString()).isEqualTo("done");
        assertThat(canBeRead("r1")).isTrue();
    }

    @Test
    void aServiceThatStopsInBetweenGoesOnWhereItWas() throws InterruptedException {
        var begun = new CountDownLatch(1);
        var stopping = new CountDownLatch(1);
        fakes.getFirst().onPassword = fresh -> {
            fakes.getFirst().password = Optional.of(fresh);
            begun.countDown();
            await(stopping);
            throw new LinkException(Reason.TIMED_OUT, "r1 was cut off");
        };
        var started = service.post("/api/v1/password-changes", wish(""));
        begun.await();
        Thread.ofVirtual().start(() -> {
            await(Duration.ofSeconds(1));
            stopping.countDown();
        });
        service.restart();
        var work = service.finish(started);
        assertThat(work.path("note").asString()).isEqualTo("4 of 4 passwords changed");
        assertThat(fakes).allSatisfy(f -> assertThat(f.password).contains(FRESH));
        fakes.forEach(f -> assertThat(canBeRead(f.name)).as(f.name).isTrue());
    }

    private static void await(CountDownLatch latch) {
        try {
            latch.await();
        } catch (InterruptedException e) {
            throw new IllegalStateException(e);
        }
    }

    private static void await(Duration time) {
        try {
            Thread.sleep(time);
        } catch (InterruptedException e) {
            throw new IllegalStateException(e);
        }
    }

    @Test
    void whatWasMeantAndNeverSentIsForgottenWhenTheWorkIsStopped() {
        var sending = new CountDownLatch(1);
        var stopped = new CountDownLatch(1);
        fakes.getFirst().onPassword = fresh -> {
            fakes.getFirst().password = Optional.of(fresh);
            sending.countDown();
            await(stopped);
        };
        var started = service.post("/api/v1/password-changes", wish(""));
        await(sending);
        assertThat(service.post("/api/v1/password-changes", wish("recorder:r2")).detail())
                .contains("a new password on its way already");
        service.post("/api/v1/works/" + started.body().path("id").asLong() + "/stop", Map.of());
        stopped.countDown();
        assertThat(service.finish(started).path("state").asString()).isEqualTo("stopped");
        assertThat(fakes.getFirst().password).contains(FRESH);
        assertThat(fakes.get(1).password).isEmpty();
        assertThat(change(wish("recorder:r2")).path("state").asString()).isEqualTo("done");
    }

    @Test
    void whatSomebodySaysOfThePasswordMeanwhileDoesNotLoseTheNewOne() {
        fakes.getFirst().onPassword = fresh -> {
            service.send("PUT", "/api/v1/recorders/r1/password", Map.of("user", "choir", "password", "something else"));
            fakes.getFirst().password = Optional.of(fresh);
        };
        assertThat(change(wish("recorder:r1")).path("note").asString()).isEqualTo("1 of 1 passwords changed");
        assertThat(canBeRead("r1")).isTrue();
    }

    @Test
    void aPasswordThatNoRecorderTakesIsRefused() {
        for (var bad : List.of("short", "with\u0007bell in it", "ünterwegs und lang")) {
            var wish = wish("");
            wish.put("password", bad);
            assertThat(service.post("/api/v1/password-changes", wish).status())
                    .as(bad)
                    .isEqualTo(400);
        }
    }
}
