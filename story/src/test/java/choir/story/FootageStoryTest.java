package choir.story;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Files;
import java.time.Duration;
import java.time.Instant;
import java.time.ZoneId;
import java.time.temporal.ChronoUnit;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;

/**
 * From footage that a recorder has to a setting that catches who must be caught, and a change that would lose them again;
 * by command line, on who really walked there.
 */
class FootageStoryTest {
    private static final String CAMERA = "pier-1/01";
    private static Ensemble choir;

    @BeforeAll
    static void start() throws IOException {
        choir = new Ensemble();
        choir.recorder("pier-1", "tern", 2);
        choir.panel("pier-1/01?scene=quay");
        choir.panel("pier-1/02?scene=quay");
        choir.load("template: house\nmotion: {detection: on, sensitivity: 50, threshold: 60%}\n"
                + "recording: {before-event: 5s, after-event: 10s}\n---\ngroup: fleet\nuse: [house]\n");
        choir.choir(0, "rollout", "start", "--yes");
    }

    @AfterAll
    static void stop() {
        choir.close();
    }

    /** The farthest who walks by day within the last two days, for long enough. */
    private static JsonNode farWalker() {
        for (int hours = 3; hours < 48; hours++) {
            var from = Instant.now().minus(Duration.ofHours(hours)).truncatedTo(ChronoUnit.HOURS);
            var found = choir.truth("pier-1/01", from, Duration.ofHours(1))
                    .valueStream()
                    .filter(p -> p.path("kind").asString("").equals("walker"))
                    .filter(p -> Math.abs(p.path("contrast").asInt()) >= 45)
                    .filter(p ->
                            p.path("metres").asInt() >= 25 && p.path("metres").asInt() <= 55)
                    .filter(p -> Duration.between(
                                            Instant.parse(p.path("from").asString("")),
                                            Instant.parse(p.path("until").asString("")))
                                    .compareTo(Duration.ofSeconds(12))
                            > 0)
                    .max(Comparator.comparingInt(p -> p.path("metres").asInt()));
            if (found.isPresent() && isDay(from)) {
                return found.get();
            }
        }
        throw new AssertionError("nobody walked far away for two days");
    }

    private static boolean isDay(Instant at) {
        int hour = at.atZone(ZoneId.of("Atlantic/Faroe")).getHour();
        return hour >= 8 && hour < 18;
    }

    @Test
    void fromAFarWalkToASettingThatCatchesItAndAChangeThatWouldLoseIt() throws IOException {
        var walker = farWalker();
        var from = Instant.parse(walker.path("from").asString("")).plusSeconds(1);
        var until = Instant.parse(walker.path("until").asString("")).minusSeconds(1);
        var begin = from.minusSeconds(90).toString();
        var taken = choir.choir(
                        0,
                        "clip",
                        "take",
                        CAMERA,
                        "--from",
                        begin,
                        "--until",
                        until.plusSeconds(60).toString())
                .out();
        assertThat(taken).contains("only looked at");
        var clip = taken.replaceFirst("(?s)^clip (\\d+) .*", "$1");
        assertThat(choir.choir(0, "clip", "keep", clip, "--because", "the farthest walk", "--days", "30")
                        .out())
                .contains("kept because the farthest walk");
        choir.choir(0, "clip", "mark", clip, "wanted", from.toString(), until.toString(), "--word", "far walker");
        var ended = choir.choir(
                1, "clip", "mark", clip, "unwanted", from.plusSeconds(3).toString(), "--word", "not at the same time");
        assertThat(ended.errors()).contains("far walker").contains("one or the other");
        assertThat(choir.choir(0, "clip", "show", clip).out())
                .contains("far walker")
                .contains("W");

        // More of the picture than somebody far away, and than any swell.
        assertThat(choir.choir(3, "trial", "run", CAMERA).out()).containsPattern("policy +50 +60 %");
        var suggested = Ensemble.JSON.readTree(
                choir.choir(3, "trial", "suggest", CAMERA, "--format", "json").out());
        assertThat(suggested.path("best").path("missed").asInt()).isZero();
        var best = suggested.path("best").path("setting");
        assertThat(best.path("threshold").asDouble()).isLessThan(60);

        choir.choir(
                0,
                "set",
                "camera:" + CAMERA,
                "motion.sensitivity=" + best.path("sensitivity").asString(""),
                "motion.threshold=" + best.path("threshold").asDouble() + "%",
                "--because",
                "tried on clip 1");
        assertThat(choir.choir(3, "preview", CAMERA).out()).contains("Catches the one wanted moment");
        choir.choir(0, "rollout", "start", CAMERA, "--yes");
        assertThat(choir.choir(0, "trial", "run", CAMERA).out()).contains("1 of 1");

        // Somebody finds it too lively.
        choir.choir(0, "set", "camera:" + CAMERA, "motion.threshold=70%", "--because", "too many recordings");
        var preview = choir.choir(3, "preview", CAMERA).out();
        assertThat(preview.lines().findFirst().orElse("")).contains("Would miss 1 of 1 wanted moment");
        assertThat(preview).contains("pier-1/01 far walker");
        assertThat(choir.choir(1, "rollout", "start", CAMERA, "--yes").errors())
                .contains("it would miss what is marked as wanted: pier-1/01 far walker");
        choir.choir(1, "rollout", "start", CAMERA, "--yes", "--may-miss", "pier-1/01 somebody else");
        choir.choir(0, "rollout", "start", CAMERA, "--yes", "--may-miss", "pier-1/01 far walker");
        assertThat(choir.choir(3, "trial", "run", CAMERA).out()).contains("0 of 1");
        assertThat(choir.get("/api/v1/journal?subject=" + CAMERA.replace("/", "%2F"))
                        .body()
                        .toString())
                .contains("looks at footage")
                .contains("keeps footage");
    }

    @Test
    void whatCannotBeTakenIsSaidAndLeavesNothing() throws IOException {
        assertThat(choir.choir(1, "clip", "take", "pier-1/02", "--from", "2031-01-14T06:00:00Z")
                        .errors())
                .contains("has not happened yet");
        choir.panel("pier-1/02?switched-on=off");
        assertThat(choir.choir(
                                5,
                                "clip",
                                "take",
                                "pier-1/02",
                                "--from",
                                Instant.now().minusSeconds(7200).toString())
                        .errors())
                .contains("pier-1");
        var before = files();
        var odd = Files.writeString(choir.folder().resolve("odd.mp4"), "#EXTM3U\n/etc/passwd\n".repeat(500));
        assertThat(choir.choir(1, "clip", "add", "pier-1/02", odd.toString(), "--at", "2027-01-14T06:00:00Z")
                        .errors())
                .contains("no footage that can be read");
        assertThat(files()).isEqualTo(before);
    }

    private static List<String> files() throws IOException {
        var folder = choir.folder().resolve("data/clips");
        if (!Files.isDirectory(folder)) {
            return List.of();
        }
        try (var files = Files.list(folder)) {
            return files.map(f -> f.getFileName().toString()).sorted().toList();
        }
    }

    @Test
    void aWalkIsMarkedByWhoeverWalks() throws InterruptedException {
        var walk = choir.post("/api/v1/walks", Map.of("camera", "pier-1/01")).body();
        var id = walk.path("id").asLong();
        for (int i = 0;
                i < 600
                        && !choir.get("/api/v1/walks/" + id)
                                .body()
                                .path("pictures")
                                .asBoolean();
                i++) {
            Thread.sleep(100);
        }
        Thread.sleep(2_500);
        choir.panel("pier-1/01?pass=12");
        Thread.sleep(3_000);
        choir.post("/api/v1/walks/" + id + "/moments", Map.of("word", "at 12 m"));
        Thread.sleep(3_000);
        var clip = choir.post("/api/v1/walks/" + id + "/stop", Map.of()).body();
        assertThat(clip.path("origin").asString("")).isEqualTo("live");
        assertThat(clip.path("marks")).hasSize(1);
        var tried = choir.post(
                        "/api/v1/trials",
                        Map.of(
                                "clips",
                                List.of(clip.path("id").asLong()),
                                "settings",
                                List.of(
                                        Map.of("name", "keen", "sensitivity", "60", "threshold", "0.3%"),
                                        Map.of("name", "blunt", "sensitivity", "10", "threshold", "40%"))))
                .body()
                .path("clips")
                .path(0)
                .path("reports");
        assertThat(tried.path(0).path("missed").asInt()).as("%s", tried).isZero();
        assertThat(tried.path(1).path("missed").asInt()).isEqualTo(1);
        assertThat(choir.get("/api/v1/walks/" + id).status()).isEqualTo(404);
    }

    @Test
    void whatIsSeenNowComesAsItHappensAndEndsWithWhoLooks() {
        var tuning = choir.get("/api/v1/tuning?camera=pier-1/01").body();
        assertThat(tuning.path("steps")).hasSize(63);
        assertThat(tuning.path("sensitivities")).hasSize(101);
        try (var lines = choir.lines("/api/v1/live-levels?camera=pier-1/01")) {
            var pictures = lines.filter(l -> l.startsWith("data:"))
                    .map(l -> Ensemble.JSON.readTree(l.substring("data:".length())))
                    .filter(p -> p.hasNonNull("picture") || p.hasNonNull("trouble"))
                    .limit(6)
                    .toList();
            assertThat(pictures).hasSize(6).allSatisfy(p -> {
                assertThat(p.hasNonNull("trouble")).isFalse();
                assertThat(p.path("counting")).hasSize(63);
                assertThat(p.path("picture").asString("").length()).isGreaterThan(500);
            });
            // Less counts at a larger step.
            var counting = pictures.getLast().path("counting");
            assertThat(counting.path(0).asInt())
                    .isGreaterThanOrEqualTo(counting.path(62).asInt());
            assertThat(pictures.getLast().path("at").asLong())
                    .isGreaterThan(pictures.getFirst().path("at").asLong());
        }
        assertThat(choir.get("/api/v1/journal?subject=pier-1%2F01").body().toString())
                .contains("looks at live pictures");
        choir.panel("pier-1?fault=AWAY");
        try {
            assertThat(choir.get("/api/v1/live-levels?camera=pier-1/01").status())
                    .isEqualTo(502);
        } finally {
            choir.panel("pier-1?fault=NONE");
        }
    }

    /** A recorder that nobody gave anything yet, before a hall with people. */
    @Test
    void whereToLookAndWhatTheRecorderItselfSawWhereNobodyMarkedAnything() throws IOException {
        choir.recorder("hall-1", "tern", 1);
        choir.panel("hall-1/01?scene=hall");
        choir.panel("hall-1/01?sensitivity=80");
        choir.panel("hall-1/01?threshold=1");
        choir.panel("hall-1?since=P3D");
        choir.choir(0, "recorder", "read", "hall-1");
        var starts = Ensemble.JSON.readTree(
                choir.choir(0, "clip", "find", "hall-1/01", "--format", "json").out());
        assertThat(starts).isNotEmpty();
        for (var moment : starts) {
            assertThat(moment.path("starts").asInt()).isPositive();
            assertThat(moment.path("starts").asInt())
                    .isLessThanOrEqualTo(starts.path(0).path("starts").asInt());
        }
        // As many began there as the recorder tells.
        var first = starts.path(0);
        var history = choir.get("/api/v1/cameras/hall-1/01/history?from="
                        + first.path("from").asString("") + "&until="
                        + first.path("until").asString(""))
                .body();
        assertThat(history.path("motion")
                        .valueStream()
                        .filter(m -> m.path("from")
                                        .asString("")
                                        .compareTo(first.path("from").asString(""))
                                > 0)
                        .count())
                .isEqualTo(first.path("starts").asInt());
        var hour = Ensemble.JSON.readTree(choir.choir(0, "clip", "find", "hall-1/01", "--hour", "3", "--format", "json")
                .out());
        assertThat(hour)
                .isNotEmpty()
                .allSatisfy(m -> assertThat(Instant.parse(m.path("from").asString(""))
                                .atZone(ZoneId.of("Atlantic/Faroe"))
                                .getHour())
                        .isEqualTo(3));
        var levels = Ensemble.JSON.readTree(
                choir.choir(0, "clip", "find", "hall-1/01", "--by", "level", "--days", "1", "--format", "json")
                        .out());
        assertThat(levels).isNotEmpty();
        assertThat(levels.path(0).path("level").asDouble())
                .isPositive()
                .isGreaterThanOrEqualTo(
                        levels.path(levels.size() - 1).path("level").asDouble());
        assertThat(choir.choir(1, "clip", "find", "hall-1/01", "--by", "colour").errors())
                .contains("starts, longest, level, hour");

        var tried = Ensemble.JSON.readTree(choir.choir(
                        "trial",
                        "run",
                        "hall-1/01",
                        "--by-events",
                        "--sensitivity",
                        "70",
                        "--threshold",
                        "0.1%",
                        "--format",
                        "json")
                .out());
        assertThat(tried.path("clips")).isNotEmpty().allSatisfy(c -> {
            assertThat(c.path("judge").asString("")).isEqualTo("recorder");
            assertThat(c.path("reports").path(0).path("wanted")).isNotEmpty();
        });
        // Whoever the recorder saw, a setting as keen as this sees as well.
        assertThat(tried.path("missed").asInt()).as("%s", tried).isZero();
        // What was only looked at is kept nowhere.
        assertThat(choir.choir(0, "clip", "list", "recorder:hall-1").out()).contains("no clip is kept");
    }
}
