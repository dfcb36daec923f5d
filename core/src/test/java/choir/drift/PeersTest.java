package choir.drift;

import static org.assertj.core.api.Assertions.assertThat;

import java.math.BigDecimal;
import java.util.HashMap;
import java.util.Map;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class PeersTest {
    private static Map<Integer, BigDecimal> values(String text) {
        Map<Integer, BigDecimal> values = new HashMap<>();
        for (var word : text.split(" ")) {
            values.put(values.size(), new BigDecimal(word));
        }
        return values;
    }

    @ParameterizedTest
    @CsvSource({
        // Too few to say anything; all alike; one away; one within the spread.
        "50 50 50 90, ''",
        "50 50 50 50 50, ''",
        "50 50 50 50 90, 4",
        "50 50 50 50 51, 4",
        "50 50 50 50 50.5, ''",
        // Median 50, deviations 0 1 1 2 2 40: MAD 1.5, limit 6.67.
        "49 51 50 48 52 90, 5",
        "49 51 50 48 52 56, ''",
        "10 20 30 40 50 60, ''",
        "10 10 10 90 90 90, ''",
        "5 5 5 5 5 5 1 9, 6 7",
    })
    void whoIsAwayFromThePeers(String given, String away) {
        var found = Peers.outliers(values(given)).keySet().stream().sorted().toList();
        assertThat(String.join(" ", found.stream().map(String::valueOf).toList()))
                .isEqualTo(away);
    }

    @ParameterizedTest
    @CsvSource({"3 1 2, 2", "4 1 3 2, 2.5", "7, 7"})
    void theMedianIsTheMiddle(String given, String median) {
        assertThat(Peers.median(values(given).values().stream().toList())).isEqualByComparingTo(median);
    }
}
