package choir.server.clip;

import static org.assertj.core.api.Assertions.assertThat;

import choir.server.TestService;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.util.List;
import java.util.Map;
import java.util.concurrent.atomic.AtomicInteger;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;

/** Cameras without a stream are looked at by a series of stills. */
class StillsTest {
    private TestService service;
    private final AtomicInteger asked = new AtomicInteger();

    @BeforeEach
    void start() {
        service = TestService.start();
        var recorder = service.added("haldr-1");
        recorder.channel("01", choir.family.NativeConfig.EMPTY);
        recorder.still = this::still;
        service.read("haldr-1");
    }

    @AfterEach
    void stop() {
        service.close();
    }

    /** Somebody is there in every third. */
    private byte[] still() {
        try {
            int n = asked.incrementAndGet();
            return Films.picture(n % 3 == 2 ? 60 : -30, 30, 200);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    private JsonNode walk(long id) {
        return service.get("/api/v1/walks/" + id).body();
    }

    @Test
    void aWalkIsTakenByStillsAndTriedAsAnyClip() throws InterruptedException {
        var walk = service.post("/api/v1/walks", Map.of("camera", "haldr-1/01"));
        assertThat(walk.status()).as(walk.detail()).isEqualTo(200);
        long id = walk.body().path("id").asLong();
        for (int i = 0; i < 600 && asked.get() < 5; i++) {
            Thread.sleep(50);
        }
        assertThat(walk(id).path("pictures").asBoolean()).isTrue();
        service.post("/api/v1/walks/" + id + "/moments", Map.of("word", "by the door"));
        for (int i = 0; i < 600 && asked.get() < 8; i++) {
            Thread.sleep(50);
        }
        var stopped = service.post("/api/v1/walks/" + id + "/stop", Map.of());
        assertThat(stopped.status()).as(stopped.detail()).isEqualTo(200);
        var clip = stopped.body();
        assertThat(clip.path("origin").asString("")).isEqualTo("live");
        assertThat(clip.path("marks")).hasSize(1);
        var tried = service.post(
                        "/api/v1/trials",
                        Map.of(
                                "clips",
                                List.of(clip.path("id").asLong()),
                                "settings",
                                List.of(Map.of("sensitivity", "50", "threshold", "2%"))))
                .body()
                .path("clips")
                .path(0)
                .path("reports")
                .path(0);
        assertThat(tried.path("missed").asInt()).as("%s", tried).isZero();
        assertThat(tried.path("wanted").path(0).path("level").asDouble()).isGreaterThan(4);
    }

    @Test
    void whatWasRecordedIsNotMadeOfStills() {
        var taken = service.post(
                "/api/v1/clips",
                Map.of("camera", "haldr-1/01", "from", "2026-01-14T06:00:00Z", "until", "2026-01-14T06:01:00Z"));
        assertThat(taken.status()).isEqualTo(502);
        assertThat(taken.detail()).contains("does not play what it recorded");
        assertThat(asked).hasValue(0);
    }
}
