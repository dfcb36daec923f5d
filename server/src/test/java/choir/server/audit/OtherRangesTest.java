package choir.server.audit;

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

/** Recorders that take other values than their family file says, and family files that are changed while in use. */
class OtherRangesTest {
    private static final String OTHER = "motion.sensitivity: the recorder says 0 to 10, the family file 0 to 100";
    private static final String SKUA = """
            family: skua
            title: Skua SK
            recognise: {maker: Skua, model: SK}
            settings:
              motion.sensitivity: {at: module tt:CellMotionEngine Sensitivity, from: 0, to: %d, direction: up}
            """;

    private TestService service;
    private FakeRecorders.Fake fake;

    @BeforeEach
    void start() {
        service = TestService.start();
        service.load(
                "template: house\nmotion: {sensitivity: 70}\nrecording: {after-event: 10s}\n---\ngroup: fleet\nuse: [house]\n");
        assertThat(put(100).status()).isEqualTo(204);
        fake = service.added("r1", "skua").channel("01", config()).channel("02", config());
        fake.maker = "Skua";
        fake.model = "SK-4";
    }

    @AfterEach
    void stop() {
        service.close();
    }

    private static NativeConfig config() {
        return new NativeConfig(Map.of(Catalogue.SENSITIVITY, NativeValue.number(5)));
    }

    private TestService.Answer put(int most) {
        return service.send("PUT", "/api/v1/families/skua", Map.of("text", SKUA.formatted(most)));
    }

    private List<String> ranges() {
        return service.findings().stream()
                .filter(f -> f.contains("other values than its family"))
                .toList();
    }

    @Test
    void aDifferenceIsAFindingUntilTheFamilyFileIsRight() {
        fake.otherRanges = List.of(OTHER);
        service.audit();
        assertThat(ranges()).singleElement().asString().startsWith("r1: ").contains(OTHER);
        int asked = fake.rangesAsked.get();
        service.audit();
        assertThat(fake.rangesAsked.get()).as("it is asked once").isEqualTo(asked);
        fake.otherRanges = List.of();
        assertThat(put(10).status()).isEqualTo(204);
        assertThat(ranges()).as("nobody has looked yet").hasSize(1);
        service.audit();
        assertThat(ranges()).isEmpty();
        assertThat(fake.rangesAsked.get()).isEqualTo(asked + 1);
    }

    @Test
    void anotherFirmwareIsAskedAnew() {
        service.audit();
        assertThat(ranges()).isEmpty();
        fake.firmware = "2.0";
        fake.otherRanges = List.of(OTHER);
        service.audit();
        assertThat(ranges()).hasSize(1);
    }

    @Test
    void whileItIsAwayTheFindingStays() {
        fake.otherRanges = List.of(OTHER);
        service.audit();
        fake.goAway();
        service.audit();
        assertThat(ranges()).hasSize(1);
    }

    @Test
    void whatAnotherFileWouldMoveIsToldBeforeItIsTaken() {
        service.read();
        var moves = service.post("/api/v1/family-drafts", Map.of("text", SKUA.formatted(10)))
                .body();
        assertThat(moves.path("cameras").asInt()).isEqualTo(2);
        assertThat(moves.path("moved").asInt()).isEqualTo(2);
        assertThat(moves.path("settings")).singleElement().satisfies(m -> {
            assertThat(m.path("key").asString()).isEqualTo("motion.sensitivity");
            assertThat(m.path("before").asString()).isEqualTo("70");
            assertThat(m.path("after").asString()).isEqualTo("7");
            assertThat(m.path("cameras").asInt()).isEqualTo(2);
        });
        assertThat(service.post("/api/v1/family-drafts", Map.of("text", SKUA.formatted(100)))
                        .body()
                        .path("moved")
                        .asInt())
                .isZero();
        var without = SKUA.formatted(100).replaceAll("(?m)^  motion.*\\n", "")
                + "  recording.after-event: {at: event-after, from: 0, to: 600}\n";
        var settings = service.post("/api/v1/family-drafts", Map.of("text", without))
                .body()
                .path("settings");
        assertThat(settings).hasSize(2);
        assertThat(settings.get(0).path("why").asString()).isNotEmpty();
        assertThat(settings.get(1).path("after").asString()).isEqualTo("10");
        assertThat(service.post("/api/v1/previews", Map.of("select", ""))
                        .body()
                        .path("folds")
                        .get(0)
                        .path("after")
                        .asString())
                .as("nothing was stored")
                .isEqualTo("70");
        assertThat(service.post("/api/v1/family-drafts", Map.of("text", "family: x\n"))
                        .status())
                .isEqualTo(422);
    }
}
