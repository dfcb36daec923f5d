package choir.server.rollout;

import static org.assertj.core.api.Assertions.assertThat;

import choir.family.NativeConfig;
import choir.family.NativeValue;
import choir.policy.Catalogue;
import choir.server.FakeRecorders;
import choir.server.TestService;
import choir.server.TestService.Answer;
import choir.week.WeekText;
import java.time.ZoneOffset;
import java.time.ZonedDateTime;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import java.util.function.BooleanSupplier;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;

/** What is said before anything is written: what it comes to, in which hours it goes, and who lets it go. */
class RolloutTermsTest {
    private TestService service;
    private final Map<String, FakeRecorders.Fake> fakes = new LinkedHashMap<>();

    @BeforeEach
    void start() {
        service = TestService.start();
        fill();
    }

    private void fill() {
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

    private Answer started(long preview, Map<String, Object> terms) {
        Map<String, Object> body = new HashMap<>(terms);
        body.put("preview", preview);
        return service.post("/api/v1/rollouts", body);
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

    private static String end(JsonNode work) {
        return work.path("state").asString() + ": " + work.path("note").asString();
    }

    private static int hourIn(int hours) {
        return ZonedDateTime.now(ZoneOffset.UTC).plusHours(hours).getHour();
    }

    /** Some that do not begin before an hour from now. */
    private static String hours() {
        return "%02d:00-%02d:00".formatted(hourIn(2), hourIn(3));
    }

    private static void pause() {
        try {
            Thread.sleep(25);
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            throw new IllegalStateException(e);
        }
    }

    @Test
    void rolloutsThatWaitForTheirHoursHoldUpNoOther() {
        for (var name : List.of("r1", "r2", "r3")) {
            long id = started(preview("recorder:" + name), Map.of("hours", hours()))
                    .body()
                    .path("id")
                    .asLong();
            await(() -> detail(id).contains(name + " is written from"));
        }
        assertThat(end(service.finish(started(preview("recorder:r4"), Map.of()))))
                .isEqualTo("done: all 2 verified");
    }

    @Test
    void outsideItsHoursARecorderIsNotWrittenAndItIsSaidWhenItWillBe() {
        long preview = preview("recorder:r1");
        int soon = hourIn(2);
        var hours = hours();
        var work = started(preview, Map.of("hours", hours)).body();
        long id = work.path("id").asLong();
        await(() -> detail(id).contains("r1 is written from"));
        assertThat(detail(id)).contains(" %02d:00 on, its own time (UTC)".formatted(soon));
        assertThat(fakes.get("r1").written).isEmpty();
        service.restart();
        await(() -> detail(id).contains("r1 is written from"));
        service.post("/api/v1/works/" + id + "/stop", Map.of());
        await(() -> service.get("/api/v1/works/" + id)
                .body()
                .path("state")
                .asString()
                .equals("stopped"));
        assertThat(fakes.get("r1").written).isEmpty();
    }

    private String detail(long rollout) {
        return service.get("/api/v1/rollouts/" + rollout)
                .body()
                .path("steps")
                .path(0)
                .path("detail")
                .asString("");
    }

    private static void await(BooleanSupplier what) {
        for (int i = 0; i < 400 && !what.getAsBoolean(); i++) {
            pause();
        }
        assertThat(what.getAsBoolean()).isTrue();
    }

    @Test
    void whatASecondPersonIsAskedForIsWrittenOnceThatOneSaysSo() {
        var asked = started(preview("recorder:r1"), Map.of("secondPerson", true));
        long id = asked.body().path("id").asLong();
        assertThat(asked.body().path("state").asString()).isEqualTo("asked");
        assertThat(service.post("/api/v1/rollouts/" + id + "/approve", Map.of()).detail())
                .contains("you asked for " + id + " yourself");
        service.restart();
        assertThat(fakes.get("r1").written).isEmpty();

        service.as("ben", "editor", () -> {
            var approved = service.post("/api/v1/rollouts/" + id + "/approve", Map.of());
            assertThat(end(service.finish(approved))).isEqualTo("done: all 2 verified");
            assertThat(service.post("/api/v1/rollouts/" + id + "/approve", Map.of())
                            .status())
                    .isEqualTo(409);
        });
        assertThat(service.get("/api/v1/works/" + id).body().path("approvedBy").asString())
                .isEqualTo("ben");
    }

    @Test
    void whatIsAskedForCanBeTakenBackAndIsThenNotApproved() {
        var asked = started(preview("recorder:r1"), Map.of("secondPerson", true));
        long id = asked.body().path("id").asLong();
        service.post("/api/v1/works/" + id + "/stop", Map.of());
        await(() -> service.get("/api/v1/works/" + id)
                .body()
                .path("state")
                .asString()
                .equals("stopped"));
        service.as(
                "ben",
                "editor",
                () -> assertThat(service.post("/api/v1/rollouts/" + id + "/approve", Map.of())
                                .status())
                        .isEqualTo(409));
        assertThat(states(asked.body()).values()).containsOnly("skipped");
        assertThat(fakes.get("r1").written).isEmpty();
    }

    @Test
    void theServiceDemandsASecondPersonForMany() {
        service.close();
        service = TestService.start("--choir.second-person-from=3");
        fill();
        var few = started(preview("recorder:r1"), Map.of());
        assertThat(end(service.finish(few))).isEqualTo("done: all 2 verified");
        service.load("template: house\nmotion: {sensitivity: 60}\n");
        var many = started(preview(""), Map.of());
        assertThat(many.body().path("state").asString()).isEqualTo("asked");
    }

    @Test
    void aTemplateSaysTheSameWhereverItIsUsed() {
        for (var group : List.of("fleet/a", "fleet/b")) {
            service.post("/api/v1/groups", Map.of("path", group));
        }
        service.load("""
                template: lamps
                motion: {sensitivity: 61}
                ---
                group: fleet/a
                use: [lamps]
                ---
                group: fleet/b
                use: [lamps]
                """);
        var lit = config("daily continuous");
        service.added("r6").channel("01", lit).channel("02", lit);
        service.read("r6");
        var lines = List.of(
                Map.of("line", 1, "camera", "r6/01", "group", "a"), Map.of("line", 2, "camera", "r6/02", "group", "b"));
        assertThat(service.post("/api/v1/placings", Map.of("lines", lines)).status())
                .isEqualTo(200);
        var folds = service.post("/api/v1/previews", Map.of("select", "recorder:r6"))
                .body()
                .path("folds");
        assertThat(folds.values()).singleElement().satisfies(fold -> {
            assertThat(fold.path("cameras").size()).isEqualTo(2);
            assertThat(fold.path("origin").asString()).isEqualTo("template lamps (revision 1), in 2 places");
        });
        assertThat(service.post("/api/v1/previews", Map.of("select", "camera:r6/01"))
                        .body()
                        .path("folds")
                        .path(0)
                        .path("origin")
                        .asString())
                .isEqualTo("template lamps (revision 1) at fleet/a");
    }

    @Test
    void equalChangesAreSaidOnceAndWhatTheyComeToIsSaidFirst() {
        service.load("""
                template: house
                motion: {sensitivity: 70}
                recording: {week: [daily: continuous]}
                """);
        var off = config("daily none");
        service.added("r5").channel("01", off).channel("02", off);
        service.read("r5");
        var preview = service.post("/api/v1/previews", Map.of("select", "recorder:r5"))
                .body();
        var folds = preview.path("folds");
        assertThat(folds.size()).isEqualTo(2);
        assertThat(folds.values())
                .allSatisfy(f -> assertThat(f.path("cameras").size()).isEqualTo(2));
        var week = folds.values().stream()
                .filter(f -> f.has("week"))
                .findFirst()
                .orElseThrow()
                .path("week");
        assertThat(week.path("asked").path(0).path("triggers").asString()).isEqualTo("continuous");
        assertThat(week.path("observed").path(0).path("triggers").asString()).isEqualTo("none");

        var price = preview.path("price");
        assertThat(price.path("cameras").asInt()).isEqualTo(2);
        assertThat(price.path("recorders").asInt()).isEqualTo(1);
        assertThat(price.path("settings").asInt()).isEqualTo(4);
        var effect = price.path("effects").path(0);
        assertThat(effect.path("measure").asString()).isEqualTo("minutes a week");
        assertThat(effect.path("more").asInt()).isEqualTo(2 * 10_080);
        assertThat(effect.path("less").asInt()).isZero();
        assertThat(price.path("before").path("hoursAWeek").asDouble()).isZero();
        assertThat(price.path("after").path("hoursAWeek").asDouble()).isEqualTo(2 * 168);
        // Two cameras at the assumed 4 Mbit/s.
        assertThat(price.path("after").path("bytesADay").asLong()).isEqualTo(2 * 86_400L * 500_000);
        assertThat(price.path("assumed").asString()).contains("4.0 Mbit/s");
    }

    private static NativeConfig config(String week) {
        return new NativeConfig(Map.of(
                Catalogue.SENSITIVITY,
                NativeValue.number(50),
                Catalogue.WEEK,
                new NativeValue.Hours(WeekText.parse(List.of(week)))));
    }
}
