package choir.story;

import static org.assertj.core.api.Assertions.assertThat;

import java.io.IOException;
import java.nio.file.Files;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import java.time.ZoneOffset;
import java.time.temporal.ChronoUnit;
import java.util.List;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;

/** When something crossed a part of the picture, and where it moves at all, against who really passed there. */
class SearchStoryTest {
    private static final String CAMERA = "pier-1/01";
    private static Ensemble choir;

    @BeforeAll
    static void start() throws IOException {
        choir = new Ensemble();
        choir.recorder("pier-1", "tern", 2);
        choir.panel("pier-1/01?scene=gangway");
    }

    @AfterAll
    static void stop() {
        choir.close();
    }

    private static final Duration LONG = Duration.ofHours(2);

    private static List<JsonNode> passers(Instant from) {
        return choir.truth(CAMERA, from, LONG).valueStream().toList();
    }

    private static boolean overlaps(JsonNode one, JsonNode other) {
        return instant(one, "from").isBefore(instant(other, "until").plusSeconds(4))
                && instant(other, "from").isBefore(instant(one, "until").plusSeconds(4));
    }

    private static Instant instant(JsonNode node, String key) {
        return Instant.parse(node.path(key).asString(""));
    }

    /** Two hours of daylight of the last days in which somebody passed, but not many. */
    private static Instant someHours() {
        for (int hours = 6; hours < 120; hours++) {
            var from = Instant.now().minus(Duration.ofHours(hours)).truncatedTo(ChronoUnit.HOURS);
            int wall = from.atZone(ZoneId.of("Atlantic/Faroe")).getHour();
            int passed = passers(from).size();
            if (passed >= 6 && passed <= 40 && wall >= 9 && wall <= 13) {
                return from;
            }
        }
        throw new AssertionError("nobody, or everybody, passed for five days");
    }

    @Test
    void whoCrossedIsFoundAmongHoursAndHardlyAnybodyElse() throws IOException {
        var from = someHours();
        var stills = Scratch.folder("choir-stills");
        var found = Ensemble.JSON.readTree(choir.choir(
                        0,
                        "activity",
                        "search",
                        CAMERA,
                        "--area",
                        "0.05,0.05 0.95,0.95",
                        "--from",
                        from.toString(),
                        "--until",
                        from.plus(LONG).toString(),
                        "--stills",
                        stills.toString(),
                        "--format",
                        "json")
                .out());
        assertThat(found.path("state").asString("")).isEqualTo("done");
        assertThat(found.path("lookedSeconds").asDouble())
                .as(found.path("trouble").asString(""))
                .isEqualTo(found.path("recordedSeconds").asDouble());
        var truth = passers(from);
        var seen = found.path("found").valueStream().toList();
        // Somebody close enough, for so long that several key pictures show it; who is hardly to be seen may be missed.
        var plain = truth.stream()
                .filter(t -> Math.abs(t.path("contrast").asInt()) >= 30)
                .filter(t -> t.path("metres").asInt() <= 12)
                .filter(t -> Duration.between(instant(t, "from"), instant(t, "until"))
                                .compareTo(Duration.ofSeconds(8))
                        > 0)
                .toList();
        assertThat(plain).isNotEmpty();
        assertThat(plain.stream().filter(t -> seen.stream().anyMatch(s -> overlaps(s, t))))
                .as(seen + " of " + plain)
                .hasSizeGreaterThanOrEqualTo((int) Math.ceil(0.85 * plain.size()));
        // When lamps are switched all of the picture changes at once.
        assertThat(seen.stream()
                        .filter(s -> s.path("share").asDouble() < 60)
                        .filter(s -> truth.stream().noneMatch(t -> overlaps(s, t))))
                .as(seen + " of " + truth)
                .hasSizeLessThanOrEqualTo(Math.max(1, seen.size() / 7));
        try (var files = Files.list(stills)) {
            assertThat(files.toList())
                    .hasSize(seen.size())
                    .allSatisfy(file -> assertThat(Files.readAllBytes(file)).startsWith(0xFF, 0xD8));
        }
    }

    @Test
    void whereItMovesIsSeenByTheHour() {
        var lines = choir.choir(0, "activity", "map", CAMERA, "--days", "1")
                .out()
                .lines()
                .toList();
        // Whoever passes does so in the lower and middle part of the picture, and seldom at its upper edge.
        assertThat(lines.subList(0, 18)).allSatisfy(line -> assertThat(line).matches("[·░▒▓█]{64}"));
        assertThat(lines.getFirst()).doesNotContain("█").doesNotContain("▓");
        assertThat(String.join("", lines.subList(4, 14))).contains("█");
        assertThat(String.join("\n", lines.subList(18, lines.size())))
                .contains("stretches were looked at")
                .contains("events by hour of the day");
    }

    @Test
    void whatCannotBeLookedForIsSaid() {
        var yesterday = LocalDate.now(ZoneOffset.UTC).minusDays(1);
        assertThat(choir.choir(
                                1,
                                "activity",
                                "search",
                                CAMERA,
                                "--area",
                                "0.2",
                                "--from",
                                yesterday + "T06:00:00Z",
                                "--until",
                                yesterday + "T07:00:00Z")
                        .errors())
                .contains("\"0.2\" is no corner of an area");
        assertThat(choir.choir(
                                1,
                                "activity",
                                "search",
                                CAMERA,
                                "--area",
                                "0.2,0.2 0.4,0.4",
                                "--from",
                                "2027-01-14 06:00",
                                "--until",
                                "2027-01-14 05:00")
                        .errors())
                .contains("from has to lie before until");
        assertThat(choir.choir(2, "activity", "map", CAMERA, "--hour", "25").errors())
                .contains("no hour of the day");
    }
}
