package choir.server.search;

import static org.assertj.core.api.Assertions.assertThat;

import choir.family.NativeConfig;
import choir.family.NativeValue;
import choir.link.FootageLink.History;
import choir.link.FootageLink.Stretch;
import choir.policy.Catalogue;
import choir.server.FakeRecorders;
import choir.server.TestService;
import java.time.Duration;
import java.time.Instant;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.CountDownLatch;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import tools.jackson.databind.JsonNode;

/** Searches in footage: what they say of what they cannot see, and whose they are. */
class FootageSearchTest {
    private static final Instant FROM = Instant.parse("2026-11-01T00:00:00Z");
    private static final Map<String, Object> HOUR = Map.of(
            "camera",
            "r1/01",
            "from",
            FROM.toString(),
            "until",
            FROM.plusSeconds(3600).toString(),
            "area",
            "0,0 1,1");
    private TestService service;
    private FakeRecorders.Fake fake;

    @BeforeEach
    void start() {
        service = TestService.start();
        fake = service.added("r1")
                .channel("01", new NativeConfig(Map.of(Catalogue.SENSITIVITY, NativeValue.number(50))));
        service.read();
    }

    @AfterEach
    void stop() {
        service.close();
    }

    private JsonNode ended(String address) {
        for (int i = 0; i < 600; i++) {
            var body = service.get(address).body();
            if (!body.path("state").asString().equals("looking")) {
                return body;
            }
            pause();
        }
        throw new AssertionError("it looks for ever");
    }

    private static void pause() {
        try {
            Thread.sleep(20);
        } catch (InterruptedException e) {
            throw new IllegalStateException(e);
        }
    }

    private String started(String address, Map<String, Object> body) {
        var answer = service.post(address, body);
        assertThat(answer.status()).as(answer.detail()).isEqualTo(202);
        return address + "/" + answer.body().path("id").asLong();
    }

    private void has(List<Stretch> recorded, boolean whole) {
        fake.history = Optional.of(
                new History(Optional.of(recorded), Optional.of(recorded), whole, FROM.plus(Duration.ofMinutes(50))));
    }

    @Test
    void whatARecorderDoesNotTellCannotBeSearched() {
        for (var address : List.of("/api/v1/area-searches", "/api/v1/motion-maps")) {
            var failed = ended(started(address, HOUR));
            assertThat(failed.path("state").asString()).isEqualTo("failed");
            assertThat(failed.path("trouble").asString()).contains("r1 does not tell what it recorded");
        }
    }

    @Test
    void whatCouldNotBeLookedAtIsNotTakenForStill() {
        has(List.of(new Stretch(FROM.plusSeconds(60), FROM.plusSeconds(660))), false);
        var done = ended(started("/api/v1/area-searches", HOUR));
        assertThat(done.path("state").asString()).isEqualTo("done");
        assertThat(done.path("found")).isEmpty();
        assertThat(done.path("recordedSeconds").asDouble()).isEqualTo(600);
        assertThat(done.path("lookedSeconds").asDouble()).isZero();
        assertThat(done.path("unseenSeconds").asDouble()).isEqualTo(600);
        assertThat(done.path("trouble").asString()).contains("does not play what it recorded");
        assertThat(done.path("notKnownFrom").asString()).isEqualTo("2026-11-01T00:50:00Z");
        var map = ended(started("/api/v1/motion-maps", HOUR));
        assertThat(map.path("failed").asInt()).isOne();
        assertThat(map.path("hours").get(0).path("pictures").asInt()).isZero();
        assertThat(map.path("hours").get(0).path("events").asInt()).isOne();
        assertThat(service.get("/api/v1/journal?limit=10").body().toString())
                .contains("for what moved in an area")
                .contains("for where it moves");
    }

    @Test
    void aSearchIsWhoseItIsAndFewGoOnAtOnce() throws InterruptedException {
        var goOn = new CountDownLatch(1);
        fake.beforeHistory = () -> {
            try {
                goOn.await();
            } catch (InterruptedException e) {
                throw new IllegalStateException(e);
            }
        };
        has(List.of(), true);
        var one = started("/api/v1/area-searches", HOUR);
        var two = started("/api/v1/area-searches", HOUR);
        var third = service.post("/api/v1/area-searches", HOUR);
        assertThat(third.status()).isEqualTo(429);
        assertThat(third.detail()).contains("stop one");
        service.as("mara", "technician", () -> {
            assertThat(service.get(one).status()).isEqualTo(404);
            assertThat(service.send("DELETE", one, null).status()).isEqualTo(404);
        });
        assertThat(service.get(one.replace("area-searches", "motion-maps")).status())
                .isEqualTo(404);
        assertThat(service.get(one + "/stills/1").status()).isEqualTo(404);
        assertThat(service.send("DELETE", two, null).body().path("state").asString())
                .isEqualTo("looking");
        goOn.countDown();
        assertThat(ended(two).path("state").asString()).isEqualTo("stopped");
        assertThat(ended(one).path("state").asString()).isEqualTo("done");
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = ';',
            value = {
                "area;0.1,0.1;a polygon has 3 to 500 corners, not 1",
                "area;0.1 0.2;is no corner of an area",
                "area;0.1,0.1 0.1,0.9;a rectangle goes from",
                "area;0.1,0.1 0.1005,0.1005;too small to look at",
                "area;0,0 1.5,1;outside the picture",
                "until;2026-10-31T00:00:00Z;from has to lie before until",
                "from;2026-09-01T00:00:00Z;at most 31 days",
                "from;yesterday;is no time with a zone",
                "camera;r1/09;r1/09",
                "share;0;is no share of an area",
                "share;101;is no share of an area"
            })
    void whatCannotBeMeantIsSaid(String key, String value, String why) {
        Map<String, Object> body = new HashMap<>(HOUR);
        body.put(key, key.equals("share") ? Double.valueOf(value) : value);
        var answer = service.post("/api/v1/area-searches", body);
        assertThat(answer.status()).isBetween(400, 499);
        assertThat(answer.detail()).contains(why);
    }

    @Test
    void aMomentOfWhichThereIsNoPictureIsSaid() {
        var answer = service.get("/api/v1/recorded-still?camera=r1/01&at=" + FROM);
        assertThat(answer.status()).isEqualTo(404);
        assertThat(answer.detail()).contains("r1/01 has no picture of " + FROM);
    }
}
