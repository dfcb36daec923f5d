package choir.server.activity;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import choir.activity.DayActivity;
import choir.activity.DayActivity.Run;
import choir.activity.DayActivity.Why;
import choir.activity.Spans;
import choir.activity.Spans.Span;
import choir.server.stored.Json;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.random.RandomGenerator;
import java.util.random.RandomGeneratorFactory;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

class ActivityBodyTest {
    private static final long MIDNIGHT = 1_795_651_200L;
    private static final Span DAY = new Span(MIDNIGHT, MIDNIGHT + 90_000);

    private static List<Span> spans(RandomGenerator random, int most) {
        List<Span> spans = new ArrayList<>();
        long at = MIDNIGHT;
        for (int i = random.nextInt(most + 1); i > 0; i--) {
            long from = at + 1 + random.nextInt(600);
            long until = from + 1 + random.nextInt(300);
            if (until > DAY.until()) {
                break;
            }
            spans.add(new Span(from, until));
            at = until;
        }
        return spans;
    }

    @ParameterizedTest
    @ValueSource(longs = {1, 2, 3, 4, 5})
    void whatIsWrittenIsReadAgainAndWhatIsDamagedIsSaidToBe(long seed) {
        var random = RandomGeneratorFactory.of("L64X128MixRandom").create(seed);
        for (int round = 0; round < 100; round++) {
            List<Run> runs = new ArrayList<>();
            spans(random, 120)
                    .forEach(s -> runs.add(
                            new Run(s, Why.values()[random.nextInt(Why.values().length)], random.nextBoolean())));
            var activity = new DayActivity(
                    DAY,
                    Spans.of(DAY.from(), DAY.until() - random.nextInt(1000)),
                    runs,
                    Spans.of(spans(random, 3)),
                    Spans.of(spans(random, 120)));
            var stored = ActivityBody.write(activity);
            assertThat(ActivityBody.read(stored, DAY)).isEqualTo(activity);
            var cut = Arrays.copyOf(stored, random.nextInt(stored.length));
            assertThatThrownBy(() -> ActivityBody.read(cut, DAY)).isInstanceOf(Json.UnreadableException.class);
            stored[random.nextInt(stored.length)] ^= (byte) (1 + random.nextInt(255));
            try {
                assertThat(ActivityBody.read(stored, DAY)).isNotNull();
            } catch (Json.UnreadableException e) {
                assertThat(e).hasMessageContaining("day's activity");
            }
        }
    }

    @ParameterizedTest
    @ValueSource(ints = {100})
    void aHundredEventsTakeLittle(int events) {
        List<Span> spans = new ArrayList<>();
        for (int i = 0; i < events; i++) {
            spans.add(new Span(MIDNIGHT + i * 800L + 10, MIDNIGHT + i * 800L + 30));
        }
        var motion = Spans.of(spans);
        var runs = motion.padded(5, 15).list().stream()
                .map(s -> new Run(s, Why.MOTION))
                .toList();
        var day = new DayActivity(
                DAY, Spans.of(DAY.from(), DAY.until()), runs, Spans.of(DAY.from(), DAY.until()), motion);
        assertThat(ActivityBody.write(day)).hasSizeLessThan(9 * events);
    }
}
