package choir.activity;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import choir.activity.DayActivity.Why;
import choir.activity.SpanComparison.Camera;
import choir.activity.SpanComparison.Taking;
import choir.activity.SpanComparison.Totals;
import java.util.Map;
import java.util.OptionalLong;
import org.assertj.core.data.Offset;
import org.junit.jupiter.api.Test;

class SpanComparisonTest {
    private static final long DAY = 86_400;
    private static final Offset<Double> EXACT = within(1e-9);

    private static Totals days(long days, Map<Why, Long> secondsADay, long eventsADay) {
        var seconds = new java.util.HashMap<Why, Long>();
        secondsADay.forEach((why, s) -> seconds.put(why, s * days));
        return new Totals(days * DAY, seconds, days * DAY, 600 * days, eventsADay * days, 0);
    }

    @Test
    void spansOfDifferentLengthAreComparedByTheDay() {
        var taking = new Taking<String>();
        taking.take(
                "hall",
                days(7, Map.of(Why.CONTINUOUS, DAY), 40),
                days(3, Map.of(Why.MOTION, 7_200L), 44),
                OptionalLong.of(2_000_000));
        taking.take(
                "quay",
                days(7, Map.of(Why.MOTION, 3_600L), 10),
                days(3, Map.of(Why.MOTION, 3_600L), 10),
                OptionalLong.empty());
        var found = taking.taken(5);
        assertThat(found.cameras()).isEqualTo(2);
        assertThat(found.before().hours().get(Why.CONTINUOUS)).isCloseTo(24, EXACT);
        assertThat(found.before().allHours()).isCloseTo(25, EXACT);
        assertThat(found.after().hours()).containsOnlyKeys(Why.MOTION);
        assertThat(found.after().allHours()).isCloseTo(3, EXACT);
        assertThat(found.before().events()).isCloseTo(50, EXACT);
        assertThat(found.after().events()).isCloseTo(54, EXACT);
        // Two million bits a second over the whole day, and over two hours of it.
        assertThat(found.before().bytes()).isCloseTo(2_000_000.0 / 8 * DAY, EXACT);
        assertThat(found.after().bytes()).isCloseTo(2_000_000.0 / 8 * 7_200, EXACT);
        assertThat(taking.measured()).isEqualTo(1);
        assertThat(found.most()).extracting(Camera::who).containsExactly("hall");
    }

    @Test
    void aCameraThatWasAwayInOneOfThemIsNoSaving() {
        var taking = new Taking<String>();
        taking.take(
                "away",
                days(7, Map.of(Why.CONTINUOUS, DAY), 0),
                new Totals(0, Map.of(), 0, 0, 0, 0),
                OptionalLong.empty());
        taking.take(
                "unknown",
                new Totals(0, Map.of(), 0, 0, 0, 0),
                new Totals(0, Map.of(), 0, 0, 0, 0),
                OptionalLong.empty());
        var found = taking.taken(5);
        assertThat(found.cameras()).isZero();
        assertThat(found.onlyOne()).isEqualTo(2);
        assertThat(found.before().allHours()).isZero();
        assertThat(found.most()).isEmpty();
    }

    @Test
    void whatIsKnownInPartCountsForWhatItIsOf() {
        var taking = new Taking<String>();
        // Half a day was told, all of it recorded; motion was told of before alone.
        taking.take(
                "half",
                new Totals(DAY / 2, Map.of(Why.CONTINUOUS, DAY / 2), DAY / 2, 60, 5, 0),
                new Totals(DAY / 2, Map.of(Why.CONTINUOUS, DAY / 4), 0, 0, 0, 3_600),
                OptionalLong.empty());
        var found = taking.taken(5);
        assertThat(found.before().allHours()).isCloseTo(24, EXACT);
        assertThat(found.after().allHours()).isCloseTo(12, EXACT);
        assertThat(found.after().missingHours()).isCloseTo(2, EXACT);
        // Of what is known in one of them alone no difference is made.
        assertThat(found.before().events()).isZero();
        assertThat(found.after().events()).isZero();
    }

    @Test
    void theLargestChangesAreNamedFirstEitherWay() {
        var taking = new Taking<Integer>();
        for (int i = 1; i <= 6; i++) {
            long more = i % 2 == 0 ? 0 : i * 3_600L;
            taking.take(
                    i,
                    days(1, Map.of(Why.MOTION, i * 3_600L - more), 0),
                    days(1, Map.of(Why.MOTION, more), 0),
                    OptionalLong.empty());
        }
        assertThat(taking.taken(3).most()).extracting(Camera::who).containsExactly(6, 5, 4);
    }
}
