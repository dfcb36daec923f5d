package choir.server.audit;

import static org.assertj.core.api.Assertions.assertThat;

import choir.drift.Severity;
import choir.family.NativeConfig;
import choir.family.NativeValue;
import choir.policy.Catalogue;
import choir.server.FakeRecorders;
import choir.server.TestService;
import java.net.URLEncoder;
import java.nio.charset.StandardCharsets;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;

/** Pages of a list that changes between two of them. */
class PagesTest {
    private TestService service;
    private FakeRecorders.Fake recorder;

    @BeforeEach
    void start() {
        service = TestService.start();
        service.load("template: house\nmotion: {sensitivity: 70}\n---\ngroup: fleet\nuse: [house]\n");
        recorder = service.added("r1");
        for (int i = 1; i <= 5; i++) {
            recorder.channel("0" + i, config(50));
        }
        service.read();
        service.audit();
    }

    @AfterEach
    void stop() {
        service.close();
    }

    private static NativeConfig config(int sensitivity) {
        return new NativeConfig(Map.of(Catalogue.SENSITIVITY, NativeValue.number(sensitivity)));
    }

    private TestService.Answer page(String list, String after) {
        var from = after.isEmpty() ? "" : "&after=" + URLEncoder.encode(after, StandardCharsets.UTF_8);
        return service.get("/api/v1/" + list + "?limit=2" + from);
    }

    private static List<String> cameras(TestService.Answer page) {
        List<String> cameras = new ArrayList<>();
        page.body().path("items").forEach(f -> cameras.add(f.path("camera").asString()));
        return cameras;
    }

    @Test
    void findingsGoOnAfterOneThatHasEndedMeanwhile() {
        var first = page("findings", "");
        assertThat(cameras(first)).containsExactly("r1/01", "r1/02");
        recorder.turn("02", Catalogue.SENSITIVITY, NativeValue.number(70));
        recorder.turn("03", Catalogue.SENSITIVITY, NativeValue.number(70));
        service.audit();
        var second = page("findings", first.body().path("next").asString());
        assertThat(second.status()).as(second.detail()).isEqualTo(200);
        assertThat(cameras(second)).containsExactly("r1/04", "r1/05");
        assertThat(second.body().path("next").asString("")).isEmpty();
    }

    @Test
    void camerasGoOnAfterOneThatIsGone() {
        var first = page("cameras", "");
        assertThat(cameras(first)).containsExactly("r1/01", "r1/02");
        recorder.held.remove("02");
        service.read();
        var second = page("cameras", first.body().path("next").asString());
        assertThat(second.status()).as(second.detail()).isEqualTo(200);
        assertThat(cameras(second)).containsExactly("r1/03", "r1/04");
    }

    @Test
    void whatIsNoPlaceInTheListIsRefused() {
        for (var after : List.of(
                "x",
                "..",
                "HIGH",
                "HIGH.yesterday.3",
                "LOUD.2026-01-01T00:00:00Z.3",
                "HIGH.2026-01-01T00:00:00Z.",
                "HIGH.2026-01-01T00:00:00Z.99999999999999999999")) {
            var answer = page("findings", after);
            assertThat(answer.status()).as(after).isEqualTo(400);
            assertThat(answer.detail()).as(after).isNotBlank();
        }
    }

    @Test
    void aPlaceReadsBackAndTheWorstComesFirst() {
        var at = Instant.parse("2026-03-29T01:00:00.123Z");
        List<Cursor> ordered = new ArrayList<>();
        for (var severity : List.of(Severity.HIGH, Severity.MEDIUM, Severity.LOW)) {
            ordered.add(new Cursor(severity, at, 2));
            ordered.add(new Cursor(severity, at, 10));
            ordered.add(new Cursor(severity, at.plusNanos(1), 1));
        }
        assertThat(ordered).isSorted();
        assertThat(ordered).allSatisfy(c -> assertThat(Cursor.parse(c.text())).contains(c));
    }
}
