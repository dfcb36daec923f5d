package choir.cli;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;

class DrawnWeekTest {
    private static JsonNode week(Object asked, Object observed) {
        return Client.JSON.valueToTree(Map.of("asked", asked, "observed", observed));
    }

    private static Map<String, Object> run(int from, int to, String triggers) {
        return Map.of("from", from, "to", to, "triggers", triggers);
    }

    @Test
    void drawsHalfAnHourALetterAndADayALine() {
        var lines = DrawnWeek.lines(week(
                List.of(run(0, 330, "motion"), run(330, 570, "continuous"), run(570, 10080, "motion")), List.of()));
        assertThat(lines.get(1)).isEqualTo("mon  " + "M".repeat(11) + "C".repeat(8) + "M".repeat(29));
        assertThat(lines.get(7)).isEqualTo("sun  " + "M".repeat(48));
        assertThat(lines.getLast()).isEqualTo("M motion, C continuous");
    }

    @Test
    void aHalfHourThatIsOnlyPartlySpokenOfIsInLowerCase() {
        var lines = DrawnWeek.lines(week(List.of(run(15, 60, "alarm")), List.of()));
        assertThat(lines.get(1)).startsWith("mon  aA");
    }

    @Test
    void theRecordersDayStandsBelowWhereItDiffersAndNotForWhatNobodyGoverns() {
        var lines = DrawnWeek.lines(week(
                List.of(run(0, 1440, "motion"), run(1440, 2880, "motion")),
                List.of(run(0, 1440, "none"), run(1440, 10080, "motion"))));
        assertThat(lines.get(2)).isEqualTo("     " + ".".repeat(48) + "  the recorder");
        assertThat(lines).filteredOn(l -> l.contains("the recorder")).hasSize(1);
    }
}
