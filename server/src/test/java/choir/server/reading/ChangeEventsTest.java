package choir.server.reading;

import static org.assertj.core.api.Assertions.assertThat;

import choir.family.NativeConfig;
import choir.family.NativeValue;
import choir.link.ChangeLink.Turned;
import choir.link.StateLog.Edge;
import choir.link.StateLog.Kind;
import choir.policy.Catalogue;
import choir.server.FakeRecorders;
import choir.server.TestService;
import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.BooleanSupplier;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;

/** A recorder that tells of a change is audited; nothing that Choir did itself is told of, and nothing is missed. */
class ChangeEventsTest {
    private static final Duration LONG = Duration.ofMinutes(2);

    private TestService service;
    private FakeRecorders.Fake one;
    private FakeRecorders.Fake two;

    @BeforeEach
    void start() {
        service =
                TestService.start("--choir.change-tick=20ms", "--choir.change-poll=50ms", "--choir.change-quiet=100ms");
        service.load("template: house\nmotion: {sensitivity: 50}\n---\ngroup: fleet\nuse: [house]\n");
        var config = new NativeConfig(Map.of(Catalogue.SENSITIVITY, NativeValue.number(50)));
        service.recorders().telling = true;
        one = service.added("r1").channel("01", config);
        service.recorders().telling = false;
        two = service.added("r2").channel("01", config);
        service.read();
        service.audit();
        until(() -> one.subscribed.get() == 1);
    }

    @AfterEach
    void stop() {
        service.close();
    }

    private static void until(BooleanSupplier condition) {
        long end = System.nanoTime() + LONG.toNanos();
        while (!condition.getAsBoolean()) {
            assertThat(System.nanoTime()).as("it did not happen").isLessThan(end);
            try {
                Thread.sleep(10);
            } catch (InterruptedException e) {
                throw new IllegalStateException(e);
            }
        }
    }

    private long auditsByEvents() {
        return service.get("/api/v1/audits")
                .body()
                .valueStream()
                .filter(a -> a.path("who").asString("").equals("recorders"))
                .filter(a -> !a.path("endedAt").asString("").isEmpty())
                .count();
    }

    @Test
    void aChangeThatIsToldIsAFindingOfThatRecorderAlone() {
        one.turn("01", Catalogue.SENSITIVITY, NativeValue.number(20));
        two.turn("01", Catalogue.SENSITIVITY, NativeValue.number(20));
        one.told = Optional.of(List.of("Media/ConfigurationChanged VAC01"));
        until(() -> !service.findings().isEmpty());
        assertThat(service.findings()).singleElement().asString().startsWith("r1/01");
        assertThat(service.get("/api/v1/recorders/r1").body().path("tellsSince").asString(""))
                .isNotEmpty();
        assertThat(service.get("/api/v1/recorders/r2").body().has("tellsSince")).isFalse();
    }

    @Test
    void whatARecorderTellsOfItsChannelsIsKnownWithoutAskingIt() {
        var since = Instant.now();
        one.toldChannels = Map.of("job 1", "01");
        one.told = Optional.empty();
        until(() -> one.subscribed.get() == 2);
        one.turned.add(new Turned("01", new Edge(Kind.RECORDS, "job", since, true, true)));
        one.turned.add(new Turned("01", new Edge(Kind.MOVES, "rule", since, false, true)));
        var lately = service.bean(Lately.class);
        until(() -> lately.of("r1", Instant.now(), Duration.ZERO).isPresent());
        assertThat(lately.of("r2", Instant.now(), Duration.ZERO)).isEmpty();
    }

    @Test
    void aRecorderThatForgotTheSubscriptionIsSubscribedToAgainAndAudited() {
        one.turn("01", Catalogue.SENSITIVITY, NativeValue.number(20));
        one.told = Optional.empty();
        until(() -> one.subscribed.get() == 2);
        until(() -> !service.findings().isEmpty());
    }

    @Test
    void whatChoirWroteItselfIsNotToldOfAsAChange() {
        service.load("template: house\nmotion: {sensitivity: 60}\n---\ngroup: fleet\nuse: [house]\n");
        one.afterWrite = () -> one.told = Optional.of(List.of("Media/ConfigurationChanged"));
        var preview = service.post("/api/v1/previews", Map.of("select", "")).body();
        service.finish(service.post(
                "/api/v1/rollouts",
                Map.of("preview", preview.path("id").asLong(), "waves", List.of("10"), "maxFailedPercent", 100)));
        assertThat(one.told).as("it was fetched").contains(List.of());
        // A change of somebody else comes after it, and is the only one that is looked after.
        one.turn("01", Catalogue.SENSITIVITY, NativeValue.number(20));
        one.told = Optional.of(List.of("Media/ConfigurationChanged"));
        until(() -> !service.findings().isEmpty());
        assertThat(auditsByEvents()).isLessThanOrEqualTo(1);
    }

    @Test
    void aPausedRecorderMayTellWhatItLikes() {
        service.send(
                "PUT",
                "/api/v1/recorders/r1/pause",
                Map.of("until", java.time.LocalDate.now().plusDays(2).toString(), "because", "new disks"));
        one.turn("01", Catalogue.SENSITIVITY, NativeValue.number(20));
        one.told = Optional.of(List.of("Media/ConfigurationChanged"));
        until(() -> one.told.equals(Optional.of(List.of())));
        service.send("DELETE", "/api/v1/recorders/r1/pause", null);
        assertThat(auditsByEvents()).isZero();
    }

    @Test
    void aServiceThatEndsGivesItsSubscriptionsBack() {
        service.restart();
        assertThat(one.givenBack).hasValue(1);
        assertThat(two.givenBack).hasValue(0);
        until(() -> one.subscribed.get() == 2);
    }

    @Test
    void aWrongPasswordIsNotTriedAgainAndAgainUntilSomebodyCanReadTheRecorder() throws InterruptedException {
        one.password = Optional.of("changed at the recorder");
        until(() -> one.wrongTries.get() > 0);
        Thread.sleep(2_000);
        assertThat(one.wrongTries).hasValue(1);
        one.password = Optional.empty();
        service.read();
        one.turn("01", Catalogue.SENSITIVITY, NativeValue.number(20));
        one.told = Optional.of(List.of("Media/ConfigurationChanged"));
        until(() -> !service.findings().isEmpty());
    }
}
