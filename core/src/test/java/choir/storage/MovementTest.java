package choir.storage;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import choir.activity.DayActivity;
import choir.activity.Spans;
import choir.activity.Spans.Span;
import choir.family.Family;
import choir.family.NativeConfig;
import choir.family.NativeValue;
import choir.policy.Catalogue;
import choir.week.WeekText;
import java.time.LocalDate;
import java.time.ZoneId;
import java.time.ZoneOffset;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalLong;
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

    private static Range secondsAWeek(Optional<Movement> movement) {
        var footing = new Footing(
                Family.unknown("test"), BY_MOTION, movement, OptionalLong.empty(), OptionalLong.empty(), Assumed.USUAL);
        return Usage.of(BY_MOTION, footing, LocalDate.of(2027, 1, 11))
                .orElseThrow()
                .secondsADay()
                .times(7);
    }

    /** What two weeks foretell of the two that follow, beside what those really hold. */
    @Test
    void twoWeeksForetellTheNextTwo() {
        for (long seed = 1; seed < 40; seed += 2) {
            var expected = secondsAWeek(Movement.of(days(14, 20, 12, seed), ZoneOffset.UTC));
            double really = days(14, 20, 12, seed + 1).stream()
                            .mapToLong(d -> d.motion().padded(5, 15).seconds())
                            .sum()
                    / 2.0;
            assertThat(expected.likely()).isCloseTo(really, within(really * 0.15));
            assertThat(really).isBetween(expected.low(), expected.high());
            assertThat(secondsAWeek(Optional.empty()).likely())
                    .as("what is assumed is far from it")
                    .isGreaterThan(really * 3);
        }
    }

    @Test
    void whatIsKeptForetellsTheSame() {
        var movement = Movement.of(days(14, 20, 12, 1), ZoneOffset.UTC);
        var kept = Movement.read(movement.orElseThrow().write());
        double before = secondsAWeek(movement).likely();
        assertThat(secondsAWeek(kept).likely()).isCloseTo(before, within(before / 500));
        assertThat(Movement.read(new byte[7])).isEmpty();
        byte[] nonsense = new byte[movement.get().write().length];
        java.util.Arrays.fill(nonsense, (byte) 0x7F);
        assertThat(Movement.read(nonsense)).isEmpty();
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
        assertThat(secondsAWeek(Movement.of(still, zone))).isEqualTo(Range.NOTHING);
        assertThat(secondsAWeek(Movement.of(restless, zone)).likely()).isBetween(0.97 * 7 * 86_400, 7.0 * 86_400);
    }
}
