package choir.story;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.DayOfWeek;
import java.time.Duration;
import java.time.LocalDate;
import java.time.ZoneId;
import java.time.temporal.TemporalAdjusters;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;

/**
 * What was recorded, held against what the simulated recorders did record, to the second; and what had to be recorded and was
 * not, by command line and in the console.
 */
class ActivityStoryTest {
    private static final ZoneId ZONE = ZoneId.of("Atlantic/Faroe");
    private static final LocalDate TODAY = LocalDate.now(ZONE);
    private static Ensemble choir;

    @BeforeAll
    static void start() {
        choir = new Ensemble();
        choir.recorder("hall-1", "tern", 6);
        for (int i = 1; i <= 6; i++) {
            choir.panel("hall-1/0" + i + "?scene=hall");
        }
        var policy = """
                template: house
                title: all
                motion: {detection: on, sensitivity: 60, threshold: 1%}
                recording:
                  switched-on: on
                  week: [daily: motion, daily 05:30-09:30: continuous]
                  before-event: 5s
                  after-event: 15s
                ---
                group: fleet
                use: [house]
                """;
        var loaded = choir.post(
                "/api/v1/policy",
                Map.of(
                        "files",
                        List.of(Map.of("name", "house.yaml", "text", policy)),
                        "prune",
                        false,
                        "onlyTry",
                        false,
                        "inForceSince",
                        TODAY.minusDays(25).toString()));
        assertThat(loaded.status()).as(loaded.detail()).isEqualTo(200);
        choir.finish(choir.startRollout("", 100, 0));
        choir.panel("hall-1?since=P30D");
        choir.panel("hall-1/01?erase=sun&since=P22D");
        choir.panel("hall-1/02?sensitivity=0&since=P20D");
        choir.panel("hall-1/03?switched-on=off&since=P3D");
        choir.panel("hall-1/04?sensitivity=100&threshold=1&since=P20D");
        choir.choir(0, "activity", "read");
    }

    @AfterAll
    static void stop() {
        choir.close();
    }

    private static List<String> spans(JsonNode array) {
        return array.valueStream()
                .map(s -> s.path("from").asString("") + "/" + s.path("until").asString(""))
                .toList();
    }

    @Test
    void whatIsKeptIsWhatWasRecordedToTheSecond() {
        for (int channel = 1; channel <= 6; channel++) {
            for (int ago : new int[] {1, 2, 9, 20}) {
                var day = TODAY.minusDays(ago);
                var begin = day.atStartOfDay(ZONE).toInstant();
                var length = Duration.between(
                        begin, day.plusDays(1).atStartOfDay(ZONE).toInstant());
                var camera = "hall-1/0" + channel;
                var kept = Ensemble.JSON.readTree(
                        choir.choir("activity", "timeline", camera, "--day", day.toString(), "--format", "json")
                                .out());
                var truth = choir.truth(camera + "/recorded", begin, length);
                var recorded = new java.util.ArrayList<String>();
                // Runs of different reasons that touch are one stretch of footage.
                for (var run : kept.path("recorded")) {
                    var from = run.path("from").asString("");
                    var until = run.path("until").asString("");
                    if (!recorded.isEmpty() && recorded.getLast().endsWith("/" + from)) {
                        recorded.set(recorded.size() - 1, recorded.getLast().split("/")[0] + "/" + until);
                    } else {
                        recorded.add(from + "/" + until);
                    }
                }
                assertThat(recorded).as("%s on %s", camera, day).isEqualTo(spans(truth.path("recorded")));
                assertThat(spans(kept.path("motion")))
                        .as("%s on %s", camera, day)
                        .isEqualTo(spans(truth.path("motion")));
            }
        }
    }

    @Test
    void theSundayThatWasNotRecordedIsFound() {
        var sunday = TODAY.with(TemporalAdjusters.previous(DayOfWeek.SUNDAY));
        var missing = choir.choir(3, "recorded", "camera:hall-1/01", "--all").out();
        assertThat(missing).contains("Sun ").contains("05:30 to 09:30").contains("4 h");
        assertThat(missing.lines().filter(l -> l.startsWith("hall-1/01")))
                .as("Sundays alone, and nothing before the policy was in force")
                .isNotEmpty()
                .allMatch(l -> l.contains("Sun "));
        var line = choir.choir(3, "activity", "timeline", "hall-1/01", "--day", sunday.toString())
                .out();
        assertThat(line).contains("!").contains("asked for").contains("cccccccccccccccc");
        assertThat(choir.choir(0, "recorded", "camera:hall-1/06").out()).contains("nothing is missing");
        var csv = choir.choir(3, "recorded", "camera:hall-1/01", "--format", "csv")
                .out();
        assertThat(csv.lines().findFirst()).contains("camera,label,from,until,seconds,demanded,cause");
    }

    @Test
    void whatADayCameToStandsBesideAnother() {
        var sunday = TODAY.with(TemporalAdjusters.previous(DayOfWeek.SUNDAY));
        String[] question = {
            "activity",
            "compare",
            "hall-1/01",
            "--before",
            sunday.toString(),
            "--after",
            sunday.minusDays(1).toString()
        };
        var json = new ArrayList<>(List.of(question));
        json.addAll(List.of("--format", "json"));
        var told = Ensemble.JSON.readTree(
                choir.choir(0, json.toArray(String[]::new)).out());
        assertThat(told.path("cameras").asInt()).isEqualTo(1);
        // Four hours of what is known of that day, as a whole day comes to.
        assertThat(told.path("before").path("missingHours").asDouble()).isBetween(4.0, 6.0);
        assertThat(told.path("after").path("missingHours").asDouble()).isZero();
        assertThat(told.path("after").path("by").path("continuous").asDouble())
                .isGreaterThan(told.path("before").path("by").path("continuous").asDouble());
        var table = choir.choir(0, question).out();
        assertThat(table)
                .contains("A DAY, OF 1 CAMERA")
                .contains("missing")
                .contains("4 h")
                .contains("-100 %");
        assertThat(choir.choir(1, "activity", "compare", "hall-1/01", "--before", "monday", "--after", "2026-11-01")
                        .errors())
                .contains("monday");
    }

    @Test
    void findingsNameWhoIsMissingAndWhoIsOddBesideItsPeers() {
        var findings = choir.choir(3, "finding", "list").out();
        assertThat(findings).containsPattern("hall-1/02 .*Its detection saw nothing in the last 7 days");
        assertThat(findings).containsPattern("hall-1/03 .*that had to be recorded are missing");
        assertThat(findings).containsPattern("hall-1/04 .*It recorded by motion for \\d+ % of the time");
        assertThat(findings).doesNotContainPattern("hall-1/06 .*missing");
        choir.choir(0, "activity", "read", "camera:hall-1/06");
        assertThat(choir.choir(3, "finding", "list").out())
                .as("asking again tells nothing new")
                .containsPattern("hall-1/02 .*Its detection saw nothing in the last 7 days");
    }

    @Test
    void theCalendarShowsTheDayOnWhichItStopped() {
        var calendar = choir.choir(0, "activity", "calendar", "hall-1/03").out();
        assertThat(calendar).contains("hall-1/03").contains("C continuous");
        var off = TODAY.minusDays(2);
        try (var browser = new Browser(choir)) {
            browser.signIn();
            browser.open("/activity?month=" + off.toString().substring(0, 7));
            browser.see("have something missing in");
            browser.click("button[aria-label^='" + words(off) + ": nothing recorded']");
            browser.see("Missing");
            browser.see("continuous");
            browser.see("what the recorder was set to then is not known");
            assertThat(browser.run("return document.querySelectorAll('[role=gridcell].chosen').length"))
                    .isEqualTo(1L);
            assertThat(String.valueOf(browser.run("return location.search"))).contains("day=" + off);
            browser.press("Earlier");
            browser.see(
                    off.minusMonths(1).getMonth().getDisplayName(java.time.format.TextStyle.FULL, java.util.Locale.UK));
            assertThat(browser.accessibilityFaults()).isEmpty();
            browser.size(390, 844);
            assertThat(browser.scrollsSideways()).isFalse();
            browser.open("/watch");
            assertThat(browser.row("at 04:10"))
                    .as("asked for each night by itself")
                    .contains("What was recorded");
        }
    }

    @Test
    void whatRecordsNowIsAskedOfTheRecorders() {
        choir.recorder("now-1", "tern", 3);
        choir.load("camera: now-1/01\nset: {recording.week: [daily: motion]}\nbecause: it is a still place\n");
        choir.panel("now-1/01?scene=none&continuous=on&since=P2D");
        choir.panel("now-1/02?scene=none&continuous=on&since=P2D");
        choir.panel("now-1/03?scene=none&switched-on=off&since=P2D");
        // Of the second before, what was said in it does not hold yet.
        rest(2_100);
        var now = choir.choir(3, "activity", "now", "recorder:now-1").out();
        assertThat(now).containsPattern("now-1/01 .* yes .*records though nothing moves");
        assertThat(now).containsPattern("now-1/03 .* no +no");
        assertThat(now).contains("2 of 3 cameras record");
        choir.panel("now-1?fault=AWAY");
        // What was told is known for five seconds.
        rest(5_500);
        assertThat(choir.choir(0, "activity", "now", "recorder:now-1").out()).contains("not known");
        choir.panel("now-1?fault=NONE");
    }

    private static void rest(long millis) {
        try {
            Thread.sleep(millis);
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
        }
    }

    private static String words(LocalDate day) {
        return day.format(java.time.format.DateTimeFormatter.ofPattern("EEE d MMM", java.util.Locale.UK));
    }
}
