package choir.storage;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.within;

import choir.family.NativeConfig;
import choir.family.NativeValue;
import choir.policy.Catalogue;
import choir.policy.SettingKey;
import choir.refusal.Refusal;
import choir.week.WeekText;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import org.junit.jupiter.api.Test;

class RecordedTest {
    private static final Assumed ASSUMED = new Assumed(4_000_000, 500_000, 6, 12);

    private static NativeConfig config(String week, Map<SettingKey, NativeValue> more) {
        Map<SettingKey, NativeValue> values = new HashMap<>(more);
        values.put(Catalogue.WEEK, new NativeValue.Hours(WeekText.parse(List.of(week.split("; ")))));
        return new NativeConfig(values);
    }

    private static Recorded of(String week, Map<SettingKey, NativeValue> more) {
        return Recorded.of(config(week, more), ASSUMED, Optional.empty()).orElseThrow();
    }

    @Test
    void continuousFillsTheDiskWithTheWholeStream() {
        var all = of("daily continuous", Map.of());
        assertThat(all.secondsAWeek()).isEqualTo(7 * 86_400);
        assertThat(all.bytesADay()).isEqualTo(86_400 * 4_000_000.0 / 8);
        assertThat(of("daily 00:00-06:00 continuous", Map.of()).bytesADay()).isEqualTo(all.bytesADay() / 4);
    }

    @Test
    void aSmallerStreamAndFewerPicturesNeedLess() {
        var all = of("daily continuous", Map.of()).bytesADay();
        assertThat(of("daily continuous", Map.of(Catalogue.FRAME_RATE, NativeValue.number(5)))
                        .bytesADay())
                .isEqualTo(all / 5);
        assertThat(of("daily continuous", Map.of(new SettingKey("recording.stream"), NativeValue.word("sub")))
                        .bytesADay())
                .isEqualTo(all / 8);
    }

    @Test
    void whatCannotStartRecordsNothing() {
        var off = new NativeValue.Flag(false);
        assertThat(of("daily motion", Map.of(Catalogue.DETECTION, off))).isEqualTo(Recorded.NOTHING);
        assertThat(of("daily continuous", Map.of(Catalogue.SWITCHED_ON, off))).isEqualTo(Recorded.NOTHING);
        assertThat(of("daily none", Map.of())).isEqualTo(Recorded.NOTHING);
        assertThat(of("daily motion,alarm", Map.of(Catalogue.DETECTION, off)).secondsAWeek())
                .isPositive();
        assertThat(Recorded.of(NativeConfig.EMPTY, ASSUMED, Optional.empty())).isEmpty();
    }

    @Test
    void longerBuffersRecordMore() {
        Map<SettingKey, NativeValue> shorter = Map.of(Catalogue.AFTER_EVENT, NativeValue.number(10));
        Map<SettingKey, NativeValue> longer = Map.of(Catalogue.AFTER_EVENT, NativeValue.number(60));
        assertThat(of("daily motion", longer).secondsAWeek())
                .isGreaterThan(of("daily motion", shorter).secondsAWeek());
    }

    /** The formula against events that are thrown at random and counted second by second. */
    @Test
    void theShareIsThatOfEventsThrownAtRandom() {
        var random = new Random(7);
        for (double padding : new double[] {0, 10, 45, 300}) {
            var assumed = new Assumed(1, 1, 30, 20);
            double meanGap = (1 - 30 / 3600.0 * 20) / (30 / 3600.0);
            double time = 0;
            double recorded = 0;
            double recordedTo = 0;
            while (time < 20_000_000) {
                time += -Math.log(1 - random.nextDouble()) * meanGap;
                double to = time + 20 + padding;
                recorded += to - Math.max(time, Math.min(to, recordedTo));
                recordedTo = to;
                time += 20;
            }
            assertThat(assumed.share(padding)).isCloseTo(recorded / time, within(0.005));
        }
    }

    @Test
    void assumptionsThatCannotBeAreRefused() {
        assertThatThrownBy(() -> new Assumed(0, 1, 1, 1)).isInstanceOf(Refusal.class);
        assertThatThrownBy(() -> new Assumed(1, 1, 60, 60)).isInstanceOf(Refusal.class);
        assertThatThrownBy(() -> new Assumed(1, 1, Double.NaN, 1)).isInstanceOf(Refusal.class);
    }
}
