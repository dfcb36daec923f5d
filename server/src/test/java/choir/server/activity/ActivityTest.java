package choir.server.activity;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import choir.family.NativeConfig;
import choir.family.NativeValue;
import choir.footage.GreyJpeg;
import choir.link.FootageLink.Bits;
import choir.link.FootageLink.History;
import choir.link.FootageLink.Kept;
import choir.link.FootageLink.Recall;
import choir.link.FootageLink.Stretch;
import choir.motion.Picture;
import choir.policy.Catalogue;
import choir.server.FakeRecorders;
import choir.server.TestService;
import choir.server.db.Database;
import choir.week.WeekText;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import java.time.ZoneOffset;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalLong;
import java.util.function.IntUnaryOperator;
import java.util.function.Predicate;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;

/** What recorders tell of their past, what is kept of it, and what is found missing. */
class ActivityTest {
    private static final ZoneId ZONE = ZoneOffset.UTC;
    private static final LocalDate TODAY = LocalDate.now(ZONE);
    private static final String WEEK = """
            template: house
            title: all
            recording:
              week:
                - daily: motion
                - daily 06:00-08:00: continuous
              keep-at-least: 14d
            ---
            group: fleet
            use: [house]
            """;

    private static final NativeConfig CONFIG = new NativeConfig(Map.of(
            Catalogue.WEEK,
            new NativeValue.Hours(WeekText.parse(List.of("daily motion", "daily 06:00-08:00 continuous"))),
            Catalogue.BEFORE_EVENT,
            NativeValue.number(5),
            Catalogue.AFTER_EVENT,
            NativeValue.number(15)));

    private TestService service;
    private FakeRecorders.Fake fake;
    /** Of each channel, whether it recorded and whether something moved at a second. */
    private final Map<String, Predicate<Instant>> recorded = new LinkedHashMap<>();

    private final Map<String, Predicate<Instant>> moved = new LinkedHashMap<>();
    private Optional<Instant> oldest = Optional.of(day(-60));
    private Optional<Instant> tellsUntil = Optional.empty();
    private Map<String, Bits> bits = Map.of();

    @BeforeEach
    void start() {
        service = TestService.start();
        fake = service.added("r1").channel("01", CONFIG).channel("02", CONFIG);
        for (var channel : List.of("01", "02")) {
            recorded.put(channel, at -> isMorning(at) || isAround(at));
            moved.put(channel, ActivityTest::isEvent);
        }
        fake.recall = this::recall;
        service.read();
        service.get("/api/v1/cameras/r1/01").body();
    }

    @AfterEach
    void stop() {
        service.close();
    }

    private static Instant day(int from) {
        return TODAY.plusDays(from).atStartOfDay(ZONE).toInstant();
    }

    private static long second(Instant at) {
        return Math.floorMod(at.getEpochSecond(), 86_400L);
    }

    private static boolean isMorning(Instant at) {
        return second(at) >= 6 * 3600 && second(at) < 8 * 3600;
    }

    /** Each hour from a quarter past, for half a minute. */
    private static boolean isEvent(Instant at) {
        return second(at) % 3600 >= 900 && second(at) % 3600 < 930;
    }

    private static boolean isAround(Instant at) {
        return second(at) % 3600 >= 895 && second(at) % 3600 < 945;
    }

    private Optional<Recall> recall(List<Stretch> stretches) {
        List<Map<String, History>> histories = new ArrayList<>();
        for (var stretch : stretches) {
            var until = tellsUntil
                    .filter(t -> t.isBefore(stretch.until()))
                    .map(t -> t.isBefore(stretch.from()) ? stretch.from() : t)
                    .orElse(stretch.until());
            Map<String, History> of = new LinkedHashMap<>();
            recorded.forEach((channel, was) -> of.put(
                    channel,
                    new History(
                            Optional.of(runs(stretch.from(), until, was)),
                            Optional.of(runs(stretch.from(), until, moved.get(channel))),
                            until.equals(stretch.until()),
                            until)));
            histories.add(of);
        }
        Map<String, Kept> kept = new LinkedHashMap<>();
        recorded.keySet().forEach(c -> kept.put(c, new Kept(oldest, Optional.empty(), Optional.empty())));
        return Optional.of(new Recall(kept, histories, bits, Duration.ZERO));
    }

    private static List<Stretch> runs(Instant from, Instant until, Predicate<Instant> on) {
        List<Stretch> runs = new ArrayList<>();
        Optional<Instant> since = Optional.empty();
        for (var at = from; at.isBefore(until); at = at.plusSeconds(5)) {
            boolean now = on.test(at);
            if (now && since.isEmpty()) {
                since = Optional.of(at);
            } else if (!now && since.isPresent()) {
                runs.add(new Stretch(since.get(), at));
                since = Optional.empty();
            }
        }
        since.ifPresent(begin -> runs.add(new Stretch(begin, until)));
        return runs;
    }

    private JsonNode readActivity() {
        return service.finish(service.post("/api/v1/activity/readings", Map.of()));
    }

    private void inForceSince(int days) {
        var answer = service.post(
                "/api/v1/policy",
                Map.of(
                        "files",
                        List.of(Map.of("name", "all.yaml", "text", WEEK)),
                        "prune",
                        false,
                        "onlyTry",
                        false,
                        "inForceSince",
                        TODAY.plusDays(days).toString()));
        assertThat(answer.status()).as(answer.detail()).isEqualTo(200);
    }

    private JsonNode days(String channel) {
        var page = service.get("/api/v1/activity/calendar?select=camera:r1/" + channel)
                .body();
        return page.path("items").get(0).path("days");
    }

    private JsonNode yesterday(String channel) {
        for (var day : days(channel)) {
            if (day.path("date").asString().equals(TODAY.minusDays(1).toString())) {
                return day;
            }
        }
        throw new AssertionError(days(channel).toString());
    }

    @Test
    void aDayIsKeptWithItsSumsAndStretches() {
        inForceSince(-20);
        assertThat(readActivity().path("state").asString()).isEqualTo("done");
        assertThat(days("01")).hasSize(31);
        var day = yesterday("01");
        // An hour of each has an event of 30 s with 5 and 15 s around it, and two of them are within the morning.
        assertThat(day.path("recorded").asLong()).isEqualTo(2 * 3600 + 22 * 50);
        assertThat(day.path("by").path("continuous").asLong()).isEqualTo(2 * 3600);
        assertThat(day.path("by").path("motion").asLong()).isEqualTo(22 * 50);
        assertThat(day.path("events").asInt()).isEqualTo(24);
        assertThat(day.path("moved").asLong()).isEqualTo(24 * 30);
        assertThat(day.path("missing").asLong()).isZero();
        assertThat(service.findings()).noneMatch(f -> f.contains("missing"));
        var today = days("01").get(30);
        assertThat(today.path("known").asLong())
                .as("the day has not come to its end")
                .isLessThan(86_400);
        var line = service.get(
                        "/api/v1/cameras/r1/01/activity?from=" + TODAY.minusDays(1) + "&until=" + TODAY.minusDays(1))
                .body();
        assertThat(line.path("recorded").get(0).path("by").asString()).isEqualTo("motion");
        assertThat(line.path("recorded").get(0).path("guessed").asBoolean())
                .as("what it was set to yesterday is not known")
                .isTrue();
        assertThat(line.path("demanded")).hasSize(3);
    }

    @Test
    void twoSpansAreComparedByTheDay() {
        // The first channel recorded its mornings until three days ago; of the second nothing is known before.
        recorded.put("01", at -> isAround(at) || isMorning(at) && at.isBefore(day(-3)));
        bits = Map.of("01", new Bits(OptionalLong.of(800_000), OptionalLong.empty()));
        inForceSince(-20);
        readActivity();
        var before = TODAY.minusDays(10) + ".." + TODAY.minusDays(4);
        var after = TODAY.minusDays(3) + ".." + TODAY.minusDays(1);
        var found = service.get("/api/v1/activity/comparison?select=camera:r1/01&before=" + before + "&after=" + after)
                .body();
        assertThat(found.path("cameras").asInt()).isEqualTo(1);
        var then = found.path("before");
        var now = found.path("after");
        assertThat(then.path("by").path("continuous").asDouble()).isEqualTo(2);
        assertThat(now.path("by").path("continuous").asDouble()).isZero();
        assertThat(then.path("hours").asDouble()).isCloseTo(2 + 22 * 50 / 3600.0, within(.01));
        assertThat(now.path("hours").asDouble()).isCloseTo(24 * 50 / 3600.0, within(.01));
        assertThat(then.path("events").asDouble()).isEqualTo(24);
        assertThat(now.path("events").asDouble()).isEqualTo(24);
        assertThat(now.path("missingHours").asDouble()).isCloseTo(2 - 2 * 50 / 3600.0, within(.01));
        assertThat(then.path("bytes").asDouble()).isCloseTo((2 * 3600 + 22 * 50) * 100_000.0, within(1.0));
        assertThat(found.path("most").get(0).path("camera").asString()).isEqualTo("r1/01");
        var longAgo = TODAY.minusDays(300) + ".." + TODAY.minusDays(290);
        var unknown = service.get("/api/v1/activity/comparison?before=" + longAgo + "&after=" + after)
                .body();
        assertThat(unknown.path("cameras").asInt()).isZero();
        assertThat(unknown.path("left").asInt()).isEqualTo(2);
        for (var odd :
                List.of("soon", "2026-11-01..", "2026-11-07..2026-11-01", "2026-11-01..2026-11-02..2026-11-03")) {
            assertThat(service.get("/api/v1/activity/comparison?before=" + odd + "&after=" + after)
                            .status())
                    .as(odd)
                    .isEqualTo(400);
        }
        assertThat(service.get("/api/v1/activity/comparison?select=nobody&before=" + before + "&after=" + after)
                        .status())
                .isEqualTo(404);
    }

    @Test
    void whatIsMissingIsFoundWithThePolicyOfThen() {
        recorded.put("01", at -> isAround(at) || isMorning(at) && !at.isAfter(day(-3)));
        moved.put("02", at -> isEvent(at) || second(at) >= 72_000 && second(at) < 72_020);
        inForceSince(-20);
        readActivity();
        assertThat(yesterday("01").path("missing").asLong()).isEqualTo(2 * 3600 - 2 * 50);
        assertThat(yesterday("02").path("missing").asLong())
                .as("an event without footage")
                .isEqualTo(20);
        assertThat(service.findings()).anyMatch(f -> f.startsWith("r1/01: ") && f.contains("on 3 of the last 7 days"));
        var gaps = service.get("/api/v1/recorded?select=camera:r1/01&from=" + TODAY.minusDays(10))
                .body()
                .path("items")
                .get(0);
        assertThat(gaps.path("gaps").get(0).path("cause").asString()).isEqualTo("not-known");
        assertThat(gaps.path("gaps").get(0).path("demanded").asString()).isEqualTo("continuous");
        // Nobody demanded anything before the policy was in force.
        recorded.put("01", at -> false);
        for (var day : days("01")) {
            var date = LocalDate.parse(day.path("date").asString());
            if (date.isBefore(TODAY.minusDays(20))) {
                assertThat(day.path("missing").asLong()).as(date.toString()).isZero();
            }
        }
    }

    @Test
    void aFindingEndsWhenTheDaysAreKnownToBeWholeAndNotBefore() {
        recorded.put("01", ActivityTest::isAround);
        inForceSince(-20);
        readActivity();
        assertThat(service.findings()).anyMatch(f -> f.startsWith("r1/01: ") && f.contains("missing"));
        // What an audit does not look at it does not end.
        service.audit();
        assertThat(service.findings()).anyMatch(f -> f.startsWith("r1/01: ") && f.contains("missing"));
        recorded.put("01", at -> isMorning(at) || isAround(at));
        forget();
        oldest = Optional.of(day(-2));
        readActivity();
        assertThat(service.findings())
                .as("of five of the seven days nobody knows")
                .anyMatch(f -> f.startsWith("r1/01: ") && f.contains("missing"));
        forget();
        oldest = Optional.of(day(-60));
        readActivity();
        assertThat(service.findings()).noneMatch(f -> f.startsWith("r1/01: ") && f.contains("missing"));
    }

    /** As if nothing had been told yet. */
    private void forget() {
        service.bean(Database.class).write(() -> {
            service.bean(Database.class).change("DELETE FROM activity_day").update();
        });
    }

    @Test
    void whatNobodyDemandsAnyMoreIsNotKeptTooShort() {
        inForceSince(-20);
        oldest = Optional.of(day(-5));
        readActivity();
        assertThat(service.findings()).anyMatch(f -> f.contains("demands 14 days"));
        service.load(WEEK.replace("  keep-at-least: 14d\n", ""));
        readActivity();
        assertThat(service.findings()).noneMatch(f -> f.contains("demands 14 days"));
    }

    @Test
    void aMistypedSelectionIsNoGoodAnswer() {
        for (var path : List.of("/api/v1/recorded", "/api/v1/activity/now")) {
            var answer = service.get(path + "?select=nonsense");
            assertThat(answer.status()).as(path).isEqualTo(404);
            assertThat(answer.detail()).isEqualTo("no camera is selected by \"nonsense\"");
        }
    }

    @Test
    void whatIsNotToldIsNotKnownAndNeverMissing() {
        inForceSince(-20);
        oldest = Optional.of(day(-5));
        tellsUntil = Optional.of(day(-1).plus(Duration.ofHours(12)));
        recorded.put("01", at -> false);
        moved.put("01", at -> false);
        readActivity();
        var sums = new LinkedHashMap<String, JsonNode>();
        days("01").forEach(d -> sums.put(d.path("date").asString(), d));
        assertThat(sums.get(TODAY.minusDays(6).toString()).path("known").asLong())
                .isZero();
        assertThat(sums.get(TODAY.minusDays(6).toString()).hasNonNull("missing"))
                .isFalse();
        assertThat(sums.get(TODAY.minusDays(5).toString()).path("missing").asLong())
                .isEqualTo(7200);
        assertThat(yesterday("01").path("known").asLong()).isEqualTo(12 * 3600);
        assertThat(service.findings())
                .as("the policy of fourteen days ago demands fourteen days")
                .anyMatch(f -> f.startsWith("r1/01: The oldest footage is") && f.contains("demands 14 days"));
    }

    @Test
    void oneThatDoesNotTellOrIsAwayIsSaidToBe() {
        fake.recall = stretches -> Optional.empty();
        var silent = readActivity();
        assertThat(silent.path("state").asString())
                .as("that it has no search is no failure, each night anew")
                .isEqualTo("done");
        assertThat(silent.path("note").asString()).isEqualTo("r1 does not tell what it recorded");
        fake.goAway();
        assertThat(readActivity().path("note").asString()).contains("r1: r1 cannot be reached");
        assertThat(days("01")).isEmpty();
    }

    @Test
    void aDiskThatFailedIsTheRecordersAndIsSaidAtEachOfItsCameras() {
        inForceSince(-20);
        for (var channel : List.of("01", "02")) {
            recorded.put(
                    channel,
                    at -> (isMorning(at) || isAround(at))
                            && !at.truncatedTo(ChronoUnit.DAYS).equals(day(-2)));
        }
        readActivity();
        assertThat(service.findings())
                .anyMatch(f -> f.startsWith("r1/01: ") && f.contains("1 other camera has nothing then either"))
                .anyMatch(f -> f.startsWith("r1/02: ") && f.contains("1 other camera has nothing then either"));
    }

    @Test
    void whoHasTooFewPeersInItsGroupIsJudgedBesideThoseThatAreSetAlikeElsewhere() {
        var other = service.added("r2");
        for (var channel : List.of("11", "12", "13", "14")) {
            other.channel(channel, CONFIG);
            recorded.put(channel, at -> isMorning(at) || isAround(at));
            moved.put(channel, ActivityTest::isEvent);
        }
        other.recall = this::recall;
        service.read();
        service.post("/api/v1/groups", Map.of("path", "elsewhere"));
        List<Map<String, Object>> lines = new ArrayList<>();
        for (var channel : List.of("11", "12", "13", "14")) {
            lines.add(Map.of("line", lines.size() + 1, "camera", "r2/" + channel, "group", "elsewhere"));
        }
        assertThat(service.post("/api/v1/placings", Map.of("lines", lines)).status())
                .isEqualTo(200);
        moved.put("02", at -> false);
        readActivity();
        assertThat(service.findings())
                .anyMatch(f -> f.startsWith("r1/02: Its detection saw nothing")
                        && f.contains("its 6 peers (same family, set alike) it saw 24 movements a day"))
                .noneMatch(f -> f.startsWith("r1/01: Its detection"))
                .noneMatch(f -> f.startsWith("r2/") && f.contains("Its detection"));
    }

    private static byte[] shows(IntUnaryOperator luminance) {
        byte[] values = new byte[160 * 90];
        for (int i = 0; i < values.length; i++) {
            values[i] = (byte) luminance.applyAsInt(i % 160);
        }
        return GreyJpeg.of(new Picture(160, 90, values));
    }

    @Test
    void aChannelThatFillsDisksWithoutAPictureIsFoundAndOneThatIsOnlyQuietIsNot() {
        inForceSince(-20);
        recorded.put("01", at -> true);
        moved.put("01", at -> false);
        fake.still = () -> shows(x -> 16);
        readActivity();
        assertThat(service.findings())
                .anyMatch(f -> f.startsWith("r1/01: It recorded for 168 hours") && f.contains("shows nothing"))
                .as("the other one saw something")
                .noneMatch(f -> f.startsWith("r1/02") && f.contains("shows nothing"));
        // No picture comes: what was found stays.
        fake.still = () -> new byte[] {1, 2, 3};
        readActivity();
        assertThat(service.findings()).anyMatch(f -> f.contains("shows nothing"));
        fake.still = () -> shows(x -> x);
        readActivity();
        assertThat(service.findings()).noneMatch(f -> f.contains("shows nothing"));
    }

    /** Overlapping and endless stretches, backwards and from another age. */
    @Test
    void oddAnswersAreCutToTheDay() {
        inForceSince(-20);
        fake.recall = stretches -> Optional.of(new Recall(
                Map.of(),
                stretches.stream()
                        .map(s -> Map.of(
                                "01",
                                new History(
                                        Optional.of(List.of(
                                                new Stretch(day(-400), day(400)),
                                                new Stretch(s.from(), s.from().plusSeconds(5)))),
                                        Optional.of(List.of()),
                                        true,
                                        s.until())))
                        .toList(),
                Map.of(),
                Duration.ofDays(3)));
        assertThat(readActivity().path("state").asString()).isEqualTo("done");
        assertThat(yesterday("01").path("recorded").asLong()).isEqualTo(86_400);
        assertThat(yesterday("02").path("known").asLong())
                .as("no recording of it")
                .isZero();
    }

    @Test
    void aPolicyThatWasSaidMeanwhileStandsInTheWayOfOneThatWasInForceBefore() {
        inForceSince(-20);
        var changed = WEEK.replace("06:00-08:00", "07:00-08:00");
        var files = List.of(Map.of("name", "all.yaml", "text", changed));
        var later = service.post(
                "/api/v1/policy",
                Map.of(
                        "files",
                        files,
                        "prune",
                        false,
                        "onlyTry",
                        false,
                        "inForceSince",
                        TODAY.minusDays(10).toString()));
        assertThat(later.status()).as(later.detail()).isEqualTo(200);
        readActivity();
        recorded.put("01", at -> false);
        var line = service.get(
                        "/api/v1/cameras/r1/01/activity?from=" + TODAY.minusDays(11) + "&until=" + TODAY.minusDays(9))
                .body();
        assertThat(line.path("demanded").toString())
                .contains(TODAY.minusDays(11) + "T06:00:00Z", TODAY.minusDays(10) + "T07:00:00Z")
                .doesNotContain(TODAY.minusDays(10) + "T06:00:00Z");
        assertThat(line.path("turns").toString()).contains("policy: recording.week");
        var earlier = service.post(
                "/api/v1/policy",
                Map.of(
                        "files",
                        List.of(Map.of("name", "all.yaml", "text", WEEK)),
                        "prune",
                        false,
                        "onlyTry",
                        false,
                        "inForceSince",
                        TODAY.minusDays(15).toString()));
        assertThat(earlier.status()).isEqualTo(400);
        assertThat(earlier.detail()).contains("cannot have been in force since before that");
        var future = service.post(
                "/api/v1/policy",
                Map.of(
                        "files",
                        files,
                        "prune",
                        false,
                        "onlyTry",
                        false,
                        "inForceSince",
                        TODAY.plusDays(2).toString()));
        assertThat(future.detail()).contains("is still to come");
    }

    @Test
    void aPausedRecorderIsExcused() {
        recorded.put("01", at -> false);
        moved.put("01", at -> false);
        inForceSince(-20);
        var paused = service.send(
                "PUT", "/api/v1/recorders/r1/pause", Map.of("until", TODAY.toString(), "because", "new disks"));
        assertThat(paused.status()).as(paused.detail()).isLessThan(300);
        var refused = service.post("/api/v1/activity/readings", Map.of());
        assertThat(refused.status()).isEqualTo(409);
        assertThat(refused.detail()).contains("new disks");
    }
}
