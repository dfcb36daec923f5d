package choir.storage;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import choir.activity.DayActivity;
import choir.activity.Spans;
import choir.activity.Spans.Span;
import choir.family.NativeConfig;
import choir.family.NativeValue;
import choir.policy.Catalogue;
import choir.week.WeekText;
import java.time.ZoneId;
import java.time.ZoneOffset;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Random;
import org.junit.jupiter.api.Test;

class MovementTest {
    /** A Monday. */
    private static final long MONDAY = 1_799_625_600L;

    private static final NativeConfig BY_MOTION = new NativeConfig(Map.of(
            Catalogue.WEEK,
            new NativeValue.Hours(WeekText.parse(List.of("daily motion"))),
            Catalogue.BEFORE_EVENT,
            NativeValue.number(5),
            Catalogue.AFTER_EVENT,
            NativeValue.number(15)));

    private static DayActivity day(long begin, Spans motion) {
        var day = new Span(begin, begin + 86_400);
        var whole = Spans.of(day.from(), day.until());
        return new DayActivity(day, whole, List.of(), whole, motion.and(whole));
    }

    /** Events at random in the hours from eight to ten, so many an hour. */
    private static List<DayActivity> days(int count, double anHour, int seconds, long seed) {
        var random = new Random(seed);
        List<DayActivity> days = new ArrayList<>();
        for (int d = 0; d < count; d++) {
            long begin = MONDAY + d * 86_400L;
            List<Span> events = new ArrayList<>();
            for (long at = begin + 8 * 3600; at < begin + 10 * 3600; ) {
                at += Math.round(-Math.log(1 - random.nextDouble()) * (3600 / anHour - seconds)) + 1;
                if (at < begin + 10 * 3600) {
                    events.add(new Span(at, at + seconds));
                }
                at += seconds;
            }
            days.add(day(begin, Spans.of(events)));
        }
        return days;
    }

    /** What two weeks foretell of the two that follow, beside what those really hold. */
    @Test
    void twoWeeksForetellTheNextTwo() {
        var movement = Movement.of(days(14, 20, 12, 1), ZoneOffset.UTC).orElseThrow();
        var expected =
                Recorded.of(BY_MOTION, Assumed.USUAL, Optional.of(movement)).orElseThrow();
        double really = days(14, 20, 12, 2).stream()
                        .mapToLong(d -> d.motion().padded(5, 15).seconds())
                        .sum()
                / 2.0;
        assertThat(expected.secondsAWeek()).isCloseTo(really, within(really * 0.1));
        assertThat(Recorded.of(BY_MOTION, Assumed.USUAL, Optional.empty())
                        .orElseThrow()
                        .secondsAWeek())
                .as("what is assumed is far from it")
                .isGreaterThan(really * 3);
    }

    @Test
    void ofTooLittleNothingIsCounted() {
        assertThat(Movement.of(days(6, 20, 12, 1), ZoneOffset.UTC)).isEmpty();
        List<DayActivity> half = new ArrayList<>(days(7, 20, 12, 1));
        for (int i = 0; i < 7; i++) {
            half.add(DayActivity.notKnown(new Span(MONDAY - 86_400L * (i + 1), MONDAY - 86_400L * i)));
        }
        assertThat(Movement.of(half, ZoneOffset.UTC)).isEmpty();
        assertThat(Movement.of(List.of(), ZoneOffset.UTC)).isEmpty();
    }

    @Test
    void aCameraThatSeesNothingRecordsNothingByMotionAndOneThatNeverRestsAlmostAlways() {
        List<DayActivity> still = new ArrayList<>();
        List<DayActivity> restless = new ArrayList<>();
        for (int d = 0; d < 7; d++) {
            still.add(day(MONDAY + d * 86_400L, Spans.NONE));
            restless.add(day(MONDAY + d * 86_400L, Spans.of(MONDAY - 1, MONDAY + 30 * 86_400L)));
        }
        var zone = ZoneId.of("Atlantic/Faroe");
        assertThat(Recorded.of(BY_MOTION, Assumed.USUAL, Movement.of(still, zone))
                        .orElseThrow()
                        .secondsAWeek())
                .isZero();
        var always = Recorded.of(BY_MOTION, Assumed.USUAL, Movement.of(restless, zone))
                .orElseThrow();
        assertThat(always.secondsAWeek()).isBetween(0.97 * 7 * 86_400, 7.0 * 86_400);
    }
}
