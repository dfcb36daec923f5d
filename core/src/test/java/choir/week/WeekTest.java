package choir.week;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import choir.Vectors;
import java.util.ArrayList;
import java.util.List;
import java.util.Random;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.Arguments;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.MethodSource;
import org.junit.jupiter.params.provider.ValueSource;
import tools.jackson.databind.JsonNode;

class WeekTest {
    private static final String[] TRIGGERS = {
        "none", "continuous", "motion", "alarm", "analytics", "motion,alarm", "motion+alarm", "analytics,motion+alarm"
    };

    static Stream<Arguments> layerCases() {
        return Vectors.cases("week-layers.json");
    }

    @ParameterizedTest
    @MethodSource("layerCases")
    void layersAsTheReferenceDoes(int number, JsonNode given) {
        Week<TriggerSet> week = Week.silent();
        for (var layer : given.get("layers")) {
            List<String> lines = new ArrayList<>();
            layer.get("lines").forEach(l -> lines.add(l.asString()));
            week = WeekText.parse(lines).over(layer.get("replace").asBoolean() ? Week.silent() : week);
        }
        assertThat(week).isEqualTo(runs(given.get("effective")));
        assertThat(WeekText.parse(WeekText.print(week))).isEqualTo(week);
    }

    static Stream<Arguments> differenceCases() {
        return Vectors.cases("week-differences.json");
    }

    @ParameterizedTest
    @MethodSource("differenceCases")
    void comparesAsTheReferenceDoes(int number, JsonNode given) {
        var difference = WeekDifference.between(runs(given.get("desired")), runs(given.get("observed")));
        assertThat(difference.minutes()).isEqualTo(given.get("minutesDifferent").asInt());
        assertThat(difference.minutesWithoutRecording())
                .isEqualTo(given.get("minutesThatLostAllRecording").asInt());
        assertThat(difference.minutesOfNeedlessRecording())
                .isEqualTo(given.get("minutesThatGainedRecording").asInt());
    }

    private static Week<TriggerSet> runs(JsonNode runs) {
        List<Week.Run<TriggerSet>> list = new ArrayList<>();
        runs.forEach(r -> list.add(new Week.Run<>(
                r.get(0).asInt(), r.get(1).asInt(), TriggerSet.parse(r.get(2).asString()))));
        return Week.of(list);
    }

    @ParameterizedTest
    @MethodSource("seeds")
    void agreesWithAnArrayOfMinutes(long seed) {
        var random = new Random(seed);
        Week<TriggerSet> below = Week.silent();
        TriggerSet[] slowBelow = new TriggerSet[Week.MINUTES];
        Week<TriggerSet> above = Week.silent();
        TriggerSet[] slowAbove = new TriggerSet[Week.MINUTES];
        for (int i = 0; i < 12; i++) {
            int from = random.nextInt(Week.MINUTES);
            int to = from + 1 + random.nextInt(Week.MINUTES - from);
            var set = TriggerSet.parse(TRIGGERS[random.nextInt(TRIGGERS.length)]);
            boolean upper = random.nextBoolean();
            if (upper) {
                above = above.paint(from, to, set);
            } else {
                below = below.paint(from, to, set);
            }
            for (int m = from; m < to; m++) {
                (upper ? slowAbove : slowBelow)[m] = set;
            }
        }
        var layered = above.over(below);
        for (int m = 0; m < Week.MINUTES; m++) {
            assertThat(layered.at(m).orElse(null)).isEqualTo(slowAbove[m] != null ? slowAbove[m] : slowBelow[m]);
        }
        var printed = WeekText.print(layered);
        assertThat(WeekText.parse(printed)).isEqualTo(layered);
        assertThat(WeekText.print(WeekText.parse(printed))).isEqualTo(printed);
    }

    static IntStream seeds() {
        return IntStream.range(0, 60);
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "mon,tue,wed,thu,fri,sat,sun motion|daily motion",
                "sun 22:00-04:00 motion|sun 22:00-04:00 motion",
                "mon-wed continuous|mon-wed continuous",
                "mon,tue continuous|mon,tue continuous",
                "sat-mon none|sat-mon none",
                "mon 18:00- continuous|mon 18:00-24:00 continuous",
                "fri-mon 22:00-04:00 motion+alarm|fri-mon 22:00-04:00 motion+alarm",
                "mon,wed,fri-sun 10:00-11:00 alarm|mon,wed,fri-sun 10:00-11:00 alarm",
                "daily motion,continuous|daily continuous"
            })
    void printsTheCanonicalLine(String line, String canonical) {
        assertThat(WeekText.print(WeekText.parse(List.of(line)))).containsExactly(canonical);
    }

    @Test
    void windowOverMidnightOnSundayRunsIntoMonday() {
        var week = WeekText.parse(List.of("sun 22:00-04:00 motion"));
        assertThat(week.at(0)).contains(TriggerSet.MOTION);
        assertThat(week.at(239)).contains(TriggerSet.MOTION);
        assertThat(week.at(240)).isEmpty();
        assertThat(week.at(Week.MINUTES - 121)).isEmpty();
    }

    @Test
    void runOfMoreThanADayIsCutAtMidnight() {
        var week = Week.<TriggerSet>silent().paint(18 * 60, 3 * Week.DAY + 60, TriggerSet.CONTINUOUS);
        assertThat(WeekText.print(week))
                .containsExactly("mon 18:00-24:00 continuous", "tue,wed continuous", "thu 00:00-01:00 continuous");
    }

    @ParameterizedTest
    @ValueSource(
            strings = {
                "motion",
                "mon motoin",
                "mon 24:00-06:00 motion",
                "mon 06:60-07:00 motion",
                "mon 6:00-07:00 motion",
                "mond motion",
                "mon- motion",
                "mon 06:00-24:01 motion",
                "mon 06:00 07:00 motion",
                "mon,,tue motion",
                ""
            })
    void refusesWhatIsNotALineAndSaysWhatWasExpected(String line) {
        assertThatThrownBy(() -> WeekText.parse(List.of(line)))
                .isInstanceOf(WeekTextException.class)
                .hasMessageContaining("expected");
    }

    @Test
    void refusesAWindowThatEndsWhereItStarts() {
        assertThatThrownBy(() -> WeekText.parse(List.of("mon 06:00-06:00 motion")))
                .isInstanceOf(WeekTextException.class)
                .hasMessageContaining("leave the times out");
    }

    @Test
    void setsAreOrderedByWhenTheyRecord() {
        var both = TriggerSet.parse("motion+alarm");
        assertThat(both.isBelow(TriggerSet.MOTION)).isTrue();
        assertThat(TriggerSet.MOTION.isBelow(both)).isFalse();
        assertThat(TriggerSet.parse("motion,motion+alarm")).isEqualTo(TriggerSet.MOTION);
        assertThat(TriggerSet.NONE.isBelow(both)).isTrue();
        assertThat(TriggerSet.parse("analytics,alarm").isBelow(TriggerSet.CONTINUOUS))
                .isTrue();
    }

    @Test
    void aMinuteWithAnotherTriggerIsBothLossAndWaste() {
        var difference = WeekDifference.between(Week.always(TriggerSet.MOTION), Week.always(TriggerSet.parse("alarm")));
        assertThat(difference.minutesOfLoss()).isEqualTo(Week.MINUTES);
        assertThat(difference.minutesOfWaste()).isEqualTo(Week.MINUTES);
        assertThat(difference.minutesWithoutRecording()).isZero();
    }

    @ParameterizedTest
    @CsvSource(
            delimiter = '|',
            value = {
                "daily motion | daily motion",
                "daily motion; mon-fri 05:30-09:30 continuous | daily motion; mon-fri 05:30-09:30 continuous",
                "mon-fri continuous; sat,sun motion | daily continuous; sat,sun motion",
                "daily none; mon-fri 06:00-18:00 continuous; mon-fri 12:00-13:00 motion"
                        + " | daily none; mon-fri 06:00-18:00 continuous; mon-fri 12:00-13:00 motion",
                "mon-fri 06:00-18:00 continuous; mon-fri 12:00-13:00 motion | mon-fri 06:00-18:00 continuous; mon-fri 12:00-13:00 motion",
                "daily 22:00-04:00 motion+alarm | daily 22:00-04:00 motion+alarm",
                "daily motion; fri 22:00-04:00 none | daily motion; fri 22:00-04:00 none",
            })
    void peopleSeeFewLines(String lines, String few) {
        assertThat(String.join("; ", WeekText.shortest(WeekText.parse(List.of(lines.split("; "))))))
                .isEqualTo(few);
    }

    @Test
    void theShortTextMeansTheSameWeekAndIsNeverLonger() {
        var random = new java.util.Random(11);
        var words = List.of("none", "continuous", "motion", "alarm", "motion+alarm");
        var days = List.of("daily", "mon-fri", "sat,sun", "mon", "wed-thu", "fri-mon");
        for (int round = 0; round < 3_000; round++) {
            List<String> lines = new java.util.ArrayList<>();
            for (int i = random.nextInt(5); i >= 0; i--) {
                int from = random.nextInt(48) * 30;
                int to = (from + 30 + random.nextInt(46) * 30) % 1440;
                var hours = random.nextInt(3) == 0
                        ? ""
                        : " %02d:%02d-%02d:%02d".formatted(from / 60, from % 60, to / 60, to % 60);
                lines.add(
                        days.get(random.nextInt(days.size())) + hours + " " + words.get(random.nextInt(words.size())));
            }
            var week = WeekText.parse(lines);
            var few = WeekText.shortest(week);
            assertThat(WeekText.parse(few)).as("%s", lines).isEqualTo(week);
            assertThat(few.size()).isLessThanOrEqualTo(WeekText.print(week).size());
        }
    }
}
