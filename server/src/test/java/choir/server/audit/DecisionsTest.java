package choir.server.audit;

import static org.assertj.core.api.Assertions.assertThat;

import choir.area.CellGrid;
import choir.area.CellMask;
import choir.family.NativeConfig;
import choir.family.NativeValue;
import choir.policy.Catalogue;
import choir.policy.SettingKey;
import choir.server.FakeRecorders;
import choir.server.TestService;
import choir.week.WeekText;
import java.time.LocalDate;
import java.util.BitSet;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.concurrent.Executors;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;

/** Every finding ends because somebody decided so, or because it was seen to be well. */
class DecisionsTest {
    private static final String LATER = LocalDate.now().plusDays(30).toString();
    private static final CellGrid GRID = new CellGrid(22, 18);

    private TestService service;
    private FakeRecorders.Fake fake;

    @BeforeEach
    void start() {
        service = TestService.start();
        service.load("""
                template: house
                motion:
                  sensitivity: 70
                  threshold: 5%
                  areas:
                    - watch: gate
                      polygon: [[0, 0], [0.5, 0], [0.5, 1], [0, 1]]
                    - ignore: tree
                      polygon: [[0, 0], [0.1, 0], [0.1, 0.2], [0, 0.2]]
                recording:
                  week:
                    - daily: motion
                    - mon-fri 05:30-09:30: continuous
                  after-event: 10s
                fixed: [recording.after-event]
                ---
                group: fleet
                use: [house]
                """);
        fake = service.added("r1").channel("01", factory()).channel("02", factory());
        service.read();
        service.giveOut("");
        service.audit();
        assertThat(service.findings()).isEmpty();
    }

    @AfterEach
    void stop() {
        service.close();
    }

    private static NativeConfig factory() {
        return new NativeConfig(Map.of(
                Catalogue.DETECTION,
                new NativeValue.Flag(true),
                Catalogue.SENSITIVITY,
                NativeValue.number(50),
                Catalogue.THRESHOLD,
                NativeValue.number(20),
                Catalogue.AREAS,
                new NativeValue.Mask(CellMask.none(GRID).complement()),
                Catalogue.WEEK,
                week("daily continuous"),
                Catalogue.AFTER_EVENT,
                NativeValue.number(5)));
    }

    private static NativeValue week(String text) {
        return new NativeValue.Hours(WeekText.parse(List.of(text.split("; "))));
    }

    private void turn(SettingKey key, NativeValue value) {
        fake.turn("01", key, value);
        service.audit();
    }

    private JsonNode finding(String key) {
        return service.get("/api/v1/findings?setting=" + key)
                .body()
                .path("items")
                .path(0);
    }

    private TestService.Answer decide(String decision, Map<String, Object> more, long... ids) {
        Map<String, Object> body = new HashMap<>(more);
        body.put("findings", ids);
        body.put("decision", decision);
        return service.post("/api/v1/findings/decisions", body);
    }

    private void adopt(String key) {
        var answer = decide(
                "adopt",
                Map.of("because", "the pier head is far", "until", LATER),
                finding(key).path("id").asLong());
        assertThat(answer.status()).as(answer.detail()).isEqualTo(200);
        assertThat(answer.body().path("refused")).as(answer.body().toString()).isEmpty();
    }

    @Test
    void whatIsAdoptedIsInTuneWhateverItIs() {
        var held = new BitSet();
        held.set(3, 40);
        fake.turn("01", Catalogue.SENSITIVITY, NativeValue.number(31));
        fake.turn("01", Catalogue.THRESHOLD, NativeValue.number(3));
        fake.turn("01", Catalogue.WEEK, week("sat-sun none; mon-fri 08:00-17:00 motion; tue 12:00-13:00 none"));
        turn(Catalogue.AREAS, new NativeValue.Mask(CellMask.of(GRID, held)));
        assertThat(service.findings()).hasSizeGreaterThanOrEqualTo(4);
        adopt("motion.areas");
        adopt("motion.sensitivity");
        adopt("recording.week");
        service.audit();
        var threshold = finding("motion.threshold");
        if (threshold.has("id")) {
            // It is counted over the cells that are watched, which were just adopted.
            adopt("motion.threshold");
            service.audit();
        }
        assertThat(service.findings()).allMatch(f -> f.contains("record"), "a policy that records too little is said");
        assertThat(service.get("/api/v1/cameras?select=camera:r1/01+state:in-tune")
                        .body()
                        .path("total")
                        .asInt())
                .isEqualTo(1);
        assertThat(fake.written).noneMatch(w -> w.contains("31"));
        var override = service.get("/api/v1/overrides?node=camera:r1/01").body().path(0);
        assertThat(override.path("because").asString()).isEqualTo("the pier head is far");
        assertThat(override.path("until").asString()).isEqualTo(LATER);
    }

    @Test
    void allOfACameraAreAdoptedAtOnceThoughOneRestsOnTheOther() {
        var held = new BitSet();
        held.set(3, 40);
        fake.turn("01", Catalogue.THRESHOLD, NativeValue.number(3));
        fake.turn("01", Catalogue.SENSITIVITY, NativeValue.number(31));
        turn(Catalogue.AREAS, new NativeValue.Mask(CellMask.of(GRID, held)));
        var ids = service.get("/api/v1/findings")
                .body()
                .path("items")
                .valueStream()
                .mapToLong(f -> f.path("id").asLong())
                .sorted()
                .toArray();
        assertThat(ids).hasSizeGreaterThanOrEqualTo(3);
        var answer = decide("adopt", Map.of("because", "x", "until", LATER), ids);
        assertThat(answer.body().path("refused")).as(answer.body().toString()).isEmpty();
        service.audit();
        assertThat(service.findings()).isEmpty();
    }

    @Test
    void whatIsFixedCannotBeAdoptedAndTheOthersAre() {
        fake.turn("01", Catalogue.AFTER_EVENT, NativeValue.number(3));
        turn(Catalogue.SENSITIVITY, NativeValue.number(31));
        long fixed = finding("recording.after-event").path("id").asLong();
        long free = finding("motion.sensitivity").path("id").asLong();
        var answer = decide("adopt", Map.of("because", "x", "until", LATER), fixed, free)
                .body();
        assertThat(answer.path("decided").path(0).asLong()).isEqualTo(free);
        assertThat(answer.path("refused").path(0).path("finding").asLong()).isEqualTo(fixed);
        assertThat(answer.path("refused").path(0).path("why").asString())
                .contains("cannot be adopted", "house", "fixes it");
        service.audit();
        assertThat(service.findings()).singleElement().asString().contains("After");
    }

    @Test
    void whatIsAcceptedStaysQuietUntilItMoves() {
        turn(Catalogue.SENSITIVITY, NativeValue.number(31));
        long first = finding("motion.sensitivity").path("id").asLong();
        decide("accept", Map.of("because", "roadworks", "until", LATER), first);
        service.audit();
        assertThat(service.findings()).isEmpty();
        assertThat(service.get("/api/v1/findings?state=accepted")
                        .body()
                        .path("items")
                        .path(0)
                        .path("id")
                        .asLong())
                .isEqualTo(first);
        turn(Catalogue.SENSITIVITY, NativeValue.number(30));
        long second = finding("motion.sensitivity").path("id").asLong();
        assertThat(finding("motion.sensitivity").path("returns").asLong()).isEqualTo(first);
        // That it was accepted once says nothing any more, although it is as it was then.
        turn(Catalogue.SENSITIVITY, NativeValue.number(31));
        assertThat(finding("motion.sensitivity").path("id").asLong()).isEqualTo(second);
        assertThat(service.get("/api/v1/findings?state=accepted")
                        .body()
                        .path("total")
                        .asInt())
                .isZero();
        List<String> history = new java.util.ArrayList<>();
        service.get("/api/v1/findings/" + second + "/history")
                .body()
                .forEach(e -> history.add(e.path("finding").asLong() + " "
                        + e.path("what").asString() + " " + e.path("who").asString("")));
        assertThat(history)
                .containsExactly(first + " seen ", first + " accepted ada", first + " ended ", second + " seen ");
    }

    @Test
    void anAcceptedFindingThatWasWellMeanwhileOpensAgain() {
        turn(Catalogue.SENSITIVITY, NativeValue.number(31));
        decide(
                "accept",
                Map.of("because", "roadworks", "until", LATER),
                finding("motion.sensitivity").path("id").asLong());
        turn(Catalogue.SENSITIVITY, NativeValue.number(70));
        turn(Catalogue.SENSITIVITY, NativeValue.number(31));
        assertThat(service.findings()).hasSize(1);
    }

    @Test
    void whileTheRecorderIsAwayAnAcceptedFindingStaysAccepted() {
        turn(Catalogue.SENSITIVITY, NativeValue.number(31));
        decide(
                "accept",
                Map.of("because", "roadworks", "until", LATER),
                finding("motion.sensitivity").path("id").asLong());
        fake.goAway();
        service.audit();
        fake.comeBack();
        service.audit();
        assertThat(service.findings()).isEmpty();
    }

    @Test
    void itIsGivenToAPersonAndTaken() {
        turn(Catalogue.SENSITIVITY, NativeValue.number(31));
        long id = finding("motion.sensitivity").path("id").asLong();
        decide("assign", Map.of("to", "ada", "because", "bring the long ladder"), id);
        var mine = service.get("/api/v1/findings?assigned=ada")
                .body()
                .path("items")
                .path(0);
        assertThat(mine.path("assignedNote").asString()).isEqualTo("bring the long ladder");
        assertThat(service.get("/api/v1/findings?assigned=")
                        .body()
                        .path("total")
                        .asInt())
                .isZero();
        service.audit();
        assertThat(service.get("/api/v1/findings?assigned=ada")
                        .body()
                        .path("total")
                        .asInt())
                .as("an audit leaves it with its person")
                .isEqualTo(1);
        decide("assign", Map.of(), id);
        assertThat(service.get("/api/v1/findings?assigned=")
                        .body()
                        .path("total")
                        .asInt())
                .isEqualTo(1);
        var nobody = decide("assign", Map.of("to", "adda"), id);
        assertThat(nobody.status()).isEqualTo(404);
        assertThat(nobody.detail()).contains("adda", "ada");
    }

    @Test
    void whatCannotBeDecidedIsRefusedInWords() {
        turn(Catalogue.SENSITIVITY, NativeValue.number(31));
        long id = finding("motion.sensitivity").path("id").asLong();
        assertThat(decide("adopt", Map.of("because", " ", "until", LATER), id).detail())
                .contains("a reason is needed");
        assertThat(decide("adopt", Map.of("because", "x"), id).detail()).contains("a last day is needed");
        assertThat(decide("accept", Map.of("because", "x", "until", "2020-01-01"), id)
                        .detail())
                .contains("2020-01-01 is past");
        assertThat(decide("accept", Map.of("because", "x", "until", "soon"), id).detail())
                .contains("\"soon\" is not a date");
        assertThat(decide("forget", Map.of(), id).detail()).contains("adopt, accept or assign");
        assertThat(decide("accept", Map.of("because", "x", "until", LATER), 4711)
                        .status())
                .isEqualTo(404);
        fake.away = java.util.Optional.empty();
        fake.clockAhead = java.util.Optional.of(java.time.Duration.ofMinutes(37));
        service.audit();
        long clock = service.get("/api/v1/findings")
                .body()
                .path("items")
                .valueStream()
                .filter(f -> f.path("about").asString().equals("clock"))
                .findFirst()
                .orElseThrow()
                .path("id")
                .asLong();
        assertThat(decide("accept", Map.of("because", "x", "until", LATER), clock)
                        .body()
                        .path("refused")
                        .path(0)
                        .path("why")
                        .asString())
                .contains("cannot be accepted", "clock");
        assertThat(service.findings()).hasSize(2);
    }

    @Test
    void ofTwoWhoDecideAtOnceOneIsTooLate() throws Exception {
        turn(Catalogue.SENSITIVITY, NativeValue.number(31));
        long id = finding("motion.sensitivity").path("id").asLong();
        try (var two = Executors.newFixedThreadPool(2)) {
            var adopting = two.submit(() -> decide("adopt", Map.of("because", "x", "until", LATER), id));
            var accepting = two.submit(() -> decide("accept", Map.of("because", "x", "until", LATER), id));
            var answers = List.of(adopting.get().body(), accepting.get().body());
            assertThat(answers.stream().mapToInt(a -> a.path("decided").size()).sum())
                    .isEqualTo(1);
            assertThat(answers.stream().mapToInt(a -> a.path("refused").size()).sum())
                    .isEqualTo(1);
        }
    }

    @Test
    void findingsAreCountedByWhatTheyShareAndByDay() {
        fake.turn("01", Catalogue.SENSITIVITY, NativeValue.number(31));
        fake.turn("01", Catalogue.WEEK, week("daily none"));
        fake.turn("02", Catalogue.SENSITIVITY, NativeValue.number(90));
        service.audit();
        int all = service.findings().size();
        var groups = service.get("/api/v1/findings/groups?by=recorder").body();
        assertThat(groups).hasSize(1);
        assertThat(groups.path(0).path("findings").asInt()).isEqualTo(all);
        assertThat(groups.path(0).path("cameras").asInt()).isEqualTo(2);
        assertThat(groups.path(0).path("worst").asString()).isEqualTo("HIGH");
        var settings =
                service.get("/api/v1/findings/groups?by=setting&severity=high").body();
        assertThat(settings.path(0).path("name").asString()).isEqualTo("recording.week");
        fake.turn("02", Catalogue.SENSITIVITY, NativeValue.number(70));
        service.audit();
        var today = service.get("/api/v1/findings/trend?days=2").body().path(1);
        assertThat(today.path("opened").asInt()).isEqualTo(all);
        assertThat(today.path("ended").asInt()).isEqualTo(1);
        assertThat(today.path("high").asInt()
                        + today.path("medium").asInt()
                        + today.path("low").asInt())
                .isEqualTo(all - 1);
    }
}
