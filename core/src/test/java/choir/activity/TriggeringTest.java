package choir.activity;

import static org.assertj.core.api.Assertions.assertThat;

import choir.activity.Triggering.Odd;
import choir.activity.Triggering.Week;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Optional;
import org.junit.jupiter.api.Test;

class TriggeringTest {
    private static Map<String, Week> weeks(double... eventsAndShares) {
        Map<String, Week> weeks = new LinkedHashMap<>();
        for (int i = 0; i < eventsAndShares.length; i += 2) {
            double share = eventsAndShares[i + 1];
            weeks.put("c" + i / 2, new Week(eventsAndShares[i], share < 0 ? Optional.empty() : Optional.of(share)));
        }
        return weeks;
    }

    @Test
    void oneThatNeverTriggersAmongBusyOnes() {
        assertThat(Triggering.odd(weeks(0, 0, 5, 0.1, 8, 0.1, 30, 0.2, 5, 0.1)))
                .isEqualTo(Map.of("c0", new Odd.Never(5, 5)));
        // Where hardly anything moves, nothing is odd about it.
        assertThat(Triggering.odd(weeks(0, 0, 4.9, 0.1, 4, 0.1, 30, 0.2, 5, 0.1)))
                .isEmpty();
    }

    @Test
    void oneThatAlwaysTriggersAmongQuietOnes() {
        assertThat(Triggering.odd(weeks(1, 0.9, 9, 0.1, 8, 0.3, 30, 0.39, 5, 0.5)))
                .isEqualTo(Map.of("c0", new Odd.Always(0.9, 0.39, 5)));
        assertThat(Triggering.odd(weeks(1, 0.9, 9, 0.1, 8, 0.3, 30, 0.4, 5, 0.5)))
                .isEmpty();
        assertThat(Triggering.odd(weeks(1, 0.89, 9, 0.1, 8, 0.3, 30, 0.39, 5, 0.5)))
                .isEmpty();
    }

    @Test
    void ofFewNothingIsSaid() {
        assertThat(Triggering.odd(weeks(0, 0, 5, 0.1, 8, 0.1, 30, 0.2))).isEmpty();
        // Five that see, of which four wait for motion: nothing can be said of how long they record.
        assertThat(Triggering.odd(weeks(1, 1, 9, 0.1, 8, 0.3, 30, 0.3, 5, -1))).isEmpty();
    }
}
