package choir.server.forecast;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import choir.family.NativeConfig;
import choir.family.NativeValue;
import choir.link.FootageLink.Bits;
import choir.link.FootageLink.History;
import choir.link.FootageLink.Kept;
import choir.link.FootageLink.Recall;
import choir.link.FootageLink.Stretch;
import choir.policy.Catalogue;
import choir.server.FakeRecorders;
import choir.server.TestService;
import choir.week.WeekText;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneOffset;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalLong;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;

/** How much is put on disks, and for how long it stays there, as far as recorders tell and people say. */
class ForecastTest {
    private static final double DAY = 86_400;
    private static final long BITS = 2_000_000;

    private static final String HOUSE = """
            template: house
            title: all
            recording:
              week: [daily: %s]
              keep-at-least: 14d
            ---
            group: fleet
            use: [house]
            """;

    private TestService service;
    private FakeRecorders.Fake fake;
    private Instant oldest = LocalDate.now(ZoneOffset.UTC)
            .minusDays(20)
            .atStartOfDay(ZoneOffset.UTC)
            .toInstant();
    private Bits bits = new Bits(OptionalLong.of(BITS), OptionalLong.of(4_096_000));

    @BeforeEach
    void start() {
        service = TestService.start();
        fake = service.added("r1").channel("01", config("daily continuous")).channel("02", config("daily continuous"));
        fake.recall = this::recall;
        service.read();
        load(HOUSE.formatted("continuous"), false);
    }

    @AfterEach
    void stop() {
        service.close();
    }

    private static NativeConfig config(String week) {
        return new NativeConfig(Map.of(
                Catalogue.WEEK,
                new NativeValue.Hours(WeekText.parse(List.of(week))),
                Catalogue.STORE,
                NativeValue.word("Disk1"),
                Catalogue.BEFORE_EVENT,
                NativeValue.number(5),
                Catalogue.AFTER_EVENT,
                NativeValue.number(15)));
    }

    /** Always footage, and each hour half a minute in which something moves. */
    private Optional<Recall> recall(List<Stretch> stretches) {
        List<Map<String, History>> histories = new ArrayList<>();
        for (var stretch : stretches) {
            List<Stretch> motion = new ArrayList<>();
            for (var at = stretch.from().plusSeconds(900); at.isBefore(stretch.until()); at = at.plusSeconds(3600)) {
                motion.add(new Stretch(at, at.plusSeconds(30)));
            }
            var history = new History(Optional.of(List.of(stretch)), Optional.of(motion), true, stretch.until());
            histories.add(Map.of("01", history, "02", history));
        }
        var kept = new Kept(Optional.of(oldest), Optional.empty(), Optional.empty());
        return Optional.of(
                new Recall(Map.of("01", kept, "02", kept), histories, Map.of("01", bits, "02", bits), Duration.ZERO));
    }

    private void load(String text, boolean onlyTry) {
        var files = List.of(Map.of("name", "all.yaml", "text", text));
        var loaded = service.post("/api/v1/policy", Map.of("files", files, "prune", false, "onlyTry", onlyTry));
        assertThat(loaded.status()).as(loaded.detail()).isEqualTo(200);
    }

    private void readActivity() {
        service.finish(service.post("/api/v1/activity/readings", Map.of()));
    }

    private JsonNode forecast() {
        return service.get("/api/v1/forecast").body();
    }

    private JsonNode with(String text) {
        var answer = service.post(
                "/api/v1/forecasts", Map.of("files", List.of(Map.of("name", "what-if.yaml", "text", text))));
        assertThat(answer.status()).as(answer.detail()).isEqualTo(200);
        return answer.body();
    }

    private void say(int status, String store, String size) {
        var answer = service.send("PUT", "/api/v1/recorders/r1/store-size?store=" + store, Map.of("size", size));
        assertThat(answer.status()).as(answer.detail()).isEqualTo(status);
    }

    private static double likely(JsonNode side) {
        return side.path("load").path("allBytesADay").path("likely").asDouble();
    }

    private static JsonNode store(JsonNode forecast) {
        assertThat(forecast.path("told")).hasSize(1);
        return forecast.path("told").get(0);
    }

    @Test
    void whatIsAssumedIsSaidUntilRecordersTell() {
        var assumed = forecast();
        assertThat(assumed.path("basis").asString()).startsWith("assumed");
        assertThat(likely(store(assumed).path("now"))).isCloseTo(2 * DAY * 4_000_000 / 8, within(1e9));
        readActivity();
        var told = forecast();
        assertThat(told.path("basis").asString())
                .contains("motion as it was counted")
                .contains("bits a second as recorders tell")
                .doesNotContain("assumed");
        assertThat(likely(store(told).path("now"))).isCloseTo(2 * DAY * BITS / 8, within(1e9));
    }

    /** The last known bits and motion stay, and what a recorder tells only a part of is taken as that part. */
    @Test
    void aRecorderThatTellsOnlyTheCapOfItsEncoderIsReckonedBelowIt() {
        bits = new Bits(OptionalLong.empty(), OptionalLong.of(4_096_000));
        readActivity();
        var store = store(forecast());
        var load = store.path("now").path("load").path("allBytesADay");
        assertThat(load.path("high").asDouble()).isCloseTo(2 * DAY * 4_096_000 / 8, within(1e9));
        assertThat(load.path("likely").asDouble()).isLessThan(load.path("high").asDouble());
        assertThat(store.path("basis").asString()).contains("below the caps of encoders");
    }

    @Test
    void theSizeOfAStoreIsReckonedFromWhatItKeepsAndAtLeastThatUntilItWasSeenToDelete() {
        readActivity();
        var first = store(forecast());
        assertThat(first.path("size").path("basis").asString()).isEqualTo("MEASURED");
        assertThat(first.path("size").path("atLeast").asBoolean()).isTrue();
        assertThat(first.path("size").path("bytes").asDouble()).isBetween(20 * 43.2e9, 21 * 43.2e9);
        assertThat(first.path("now").path("verdict").asString())
                .as("20 days at least")
                .isEqualTo("ENOUGH");
        oldest = oldest.plusSeconds(86_400);
        readActivity();
        var second = store(forecast());
        assertThat(second.path("size").path("atLeast").asBoolean()).isFalse();
        assertThat(second.path("oldest").asString()).isEqualTo(oldest.toString());
        say(204, "disk-1", "200 GB");
        var said = store(forecast());
        assertThat(said.path("size").path("basis").asString()).isEqualTo("SAID");
        assertThat(said.path("now").path("days").path("likely").asDouble()).isCloseTo(200 / 43.2, within(0.1));
        assertThat(said.path("now").path("verdict").asString()).isEqualTo("TOO_SHORT");
    }

    @Test
    void whatAFileWouldMakeOfItIsReckonedAndNothingIsStored() {
        readActivity();
        say(204, "disk-1", "200 GB");
        var before = service.get("/api/v1/policy").body();
        var then = with(HOUSE.formatted("motion"));
        var store = store(then);
        assertThat(store.path("now").path("verdict").asString()).isEqualTo("TOO_SHORT");
        assertThat(store.path("then").path("verdict").asString()).isEqualTo("ENOUGH");
        // 50 s of each hour.
        assertThat(likely(store.path("then"))).isCloseTo(likely(store.path("now")) * 50 / 3600, within(1e8));
        assertThat(then.path("verdicts").path("ENOUGH").asInt()).isEqualTo(1);
        var longer = with(HOUSE.formatted("continuous").replace("14d", "3d"));
        assertThat(store(longer).path("then").path("wanted").asInt()).isEqualTo(3);
        assertThat(store(longer).path("now").path("wanted").asInt()).isEqualTo(14);
        var oneCamera = with("camera: r1/02\nset: {recording.switched-on: off}\nbecause: nobody there\n");
        assertThat(store(oneCamera)
                        .path("then")
                        .path("load")
                        .path("hoursADay")
                        .path("likely")
                        .asDouble())
                .as("what it does not hold is not switched off")
                .isEqualTo(48.0);
        assertThat(service.get("/api/v1/policy").body()).isEqualTo(before);
        assertThat(store(forecast()).path("then").path("verdict").asString()).isEqualTo("TOO_SHORT");
    }

    @Test
    void aFileThatIsWrongIsRefusedWithItsPlace() {
        var refused = service.post(
                "/api/v1/forecasts",
                Map.of(
                        "files",
                        List.of(Map.of("name", "what-if.yaml", "text", "template: x\nrecording: {week: 7}\n"))));
        assertThat(refused.status()).isEqualTo(422);
        assertThat(refused.detail() + refused.body()).contains("what-if.yaml");
        assertThat(service.post("/api/v1/forecasts", Map.of("files", List.of(), "limit", 0))
                        .status())
                .isEqualTo(400);
        assertThat(service.get("/api/v1/forecast?select=camera:nobody/*").status())
                .isEqualTo(404);
    }

    @Test
    void whatWouldLeaveMoreRoomIsOfferedWithItsDays() {
        readActivity();
        say(204, "disk-1", "432 GB");
        var store = store(forecast());
        assertThat(store.path("now").path("days").path("likely").asDouble()).isCloseTo(10, within(0.1));
        assertThat(store.path("bytesMissing").asDouble()).isCloseTo(4 * 43.2e9, within(1e9));
        assertThat(store.path("bytesADayTooMany").asDouble()).isCloseTo(4 * 43.2e9 / 14, within(1e9));
        assertThat(store.path("daysATerabyte").asDouble()).isCloseTo(1000 / 43.2, within(0.2));
        var saving = store.path("savings").get(0);
        assertThat(saving.path("what").asString()).isEqualTo("MOTION_ALWAYS");
        assertThat(saving.path("cameras").asInt()).isEqualTo(2);
        assertThat(saving.path("days").asDouble()).isGreaterThan(500);
        assertThat(store.path("savings").get(1).path("words").asString()).contains("from 20:00 to 06:00 at 2 cameras");
    }

    @Test
    void onlyStoresThatThereAreTakeASize() {
        say(400, "", "8 TB");
        say(400, "disk-9", "8 TB");
        say(400, "disk-1", "8");
        say(400, "disk-1", "a lot");
        say(204, "disk-1", "8 TB");
        assertThat(service.send("PUT", "/api/v1/recorders/nobody/store-size", Map.of("size", "8 TB"))
                        .status())
                .isEqualTo(404);
        assertThat(service.send("DELETE", "/api/v1/recorders/r1/store-size?store=disk-2", null)
                        .status())
                .isEqualTo(409);
        assertThat(service.send("DELETE", "/api/v1/recorders/r1/store-size?store=disk-1", null)
                        .status())
                .isEqualTo(204);
        assertThat(store(forecast()).hasNonNull("size")).isFalse();
        assertThat(service.get("/api/v1/journal").body().toString())
                .contains("said how large a store is", "took back how large a store is");
    }

    @Test
    void whatNobodyReadIsNotCountedAndWhatIsAwayGoesByItsLastReading() {
        service.added("r2").channel("01", config("daily continuous")).goAway();
        fake.goAway();
        service.read();
        var forecast = forecast();
        assertThat(forecast.path("stores").asInt()).isEqualTo(1);
        assertThat(store(forecast).path("recorder").asString()).isEqualTo("r1");
        assertThat(likely(store(forecast).path("now"))).isPositive();
    }

    /** What nobody knows comes on top, in every sum that it belongs to. */
    @Test
    void aCameraThatDoesNotShowWhenItRecordsMakesNothingLongEnough() {
        fake.channel("03", NativeConfig.EMPTY);
        fake.held.put("01", config("daily none"));
        fake.held.put("02", config("daily none"));
        service.read();
        say(204, "disk-1", "900 TB");
        var forecast = forecast();
        assertThat(forecast.path("unknown").asInt()).isEqualTo(1);
        var verdicts = forecast.path("told")
                .valueStream()
                .map(s -> s.path("now").path("verdict").asString())
                .toList();
        assertThat(verdicts).doesNotContain("ENOUGH");
        assertThat(forecast.path("groups").get(0).path("unknown").asInt()).isEqualTo(1);
        assertThat(forecast.path("groups").get(0).path("cameras").asInt()).isEqualTo(3);
    }

    @Test
    void aPreviewSaysForHowLongFootageLivesThen() {
        readActivity();
        say(204, "disk-1", "200 GB");
        load(HOUSE.formatted("motion"), false);
        var price =
                service.post("/api/v1/previews", Map.of("select", "")).body().path("price");
        var kept = price.path("stores").get(0);
        assertThat(kept.path("recorder").asString()).isEqualTo("r1");
        assertThat(kept.path("store").asString()).isEqualTo("disk-1");
        assertThat(kept.path("before").path("likely").asDouble()).isCloseTo(200 / 43.2, within(0.1));
        assertThat(kept.path("after").path("likely").asDouble()).isGreaterThan(300);
        assertThat(kept.path("wanted").asInt()).isEqualTo(14);
        assertThat(kept.path("verdict").asString()).isEqualTo("ENOUGH");
        var before = price.path("before");
        assertThat(before.path("hoursAWeek").asDouble()).isEqualTo(2 * 168);
        assertThat(price.path("after").path("hoursAWeek").asDouble()).isCloseTo(2 * 168 * 50 / 3600.0, within(0.5));
        assertThat(price.path("assumed").asString()).contains("bits a second as recorders tell them");
    }

    /** A store may be said to be larger than its cameras ever fill, and a camera that records nothing fills none. */
    @Test
    void whatIsNeverFullHasNoEnd() {
        fake.held.put("01", config("daily none"));
        fake.held.put("02", config("daily none"));
        service.read();
        load(HOUSE.formatted("none"), false);
        say(204, "disk-1", "1 GB");
        var store = store(forecast());
        assertThat(store.path("now").path("days").hasNonNull("likely")).isFalse();
        assertThat(store.path("now").path("verdict").asString()).isEqualTo("ENOUGH");
        assertThat(store.path("savings")).isEmpty();
    }

    @Test
    void aRenamedRecorderKeepsTheSizeOfItsStore() {
        say(204, "disk-1", "8 TB");
        assertThat(service.post("/api/v1/recorders/r1/name", Map.of("name", "pier-1"))
                        .status())
                .isEqualTo(204);
        assertThat(store(forecast()).path("size").path("bytes").asLong()).isEqualTo(8_000_000_000_000L);
    }
}
