package choir.activity;

import static org.assertj.core.api.Assertions.assertThat;

import choir.activity.Attribution.Held;
import choir.activity.DayActivity.Run;
import choir.activity.DayActivity.Why;
import choir.activity.Spans.Span;
import choir.week.Trigger;
import choir.week.TriggerSet;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;

class AttributionTest {
    private static Held held(long from, long until, TriggerSet triggers) {
        return new Held(new Demand(List.of(new Demand.Part(new Span(from, until), triggers))), 6, 12);
    }

    @Test
    void aRunIsCutWhereItsReasonChanges() {
        var recorded = Spans.of(0, 1000).plus(Spans.of(1094, 1130)).plus(Spans.of(1500, 1600));
        var motion = Spans.of(List.of(new Span(300, 310), new Span(1100, 1118)));
        assertThat(Attribution.of(
                        recorded,
                        motion,
                        List.of(held(0, 1000, TriggerSet.CONTINUOUS), held(1000, 2000, TriggerSet.MOTION))))
                .containsExactly(
                        new Run(new Span(0, 1000), Why.CONTINUOUS),
                        new Run(new Span(1094, 1130), Why.MOTION),
                        new Run(new Span(1500, 1600), Why.UNEXPLAINED));
    }

    @Test
    void withoutKnowingWhatItHeldTheReasonIsWhatItLooksLike() {
        var recorded = Spans.of(List.of(new Span(95, 130), new Span(1000, 9000), new Span(9500, 9700)));
        var motion = Spans.of(List.of(new Span(100, 118), new Span(1500, 1510)));
        assertThat(Attribution.of(recorded, motion, List.of()))
                .containsExactly(
                        new Run(new Span(95, 130), Why.MOTION, true),
                        new Run(new Span(1000, 9000), Why.CONTINUOUS, true),
                        new Run(new Span(9500, 9700), Why.UNEXPLAINED, true));
    }

    /** When an alarm came is not told, but that it was waited for. */
    @Test
    void whileAnAlarmIsWaitedForItMayBeThat() {
        var runs = Attribution.of(
                Spans.of(100, 130),
                Spans.of(500, 510),
                List.of(held(0, 1000, TriggerSet.of(Trigger.MOTION, Trigger.ALARM))));
        assertThat(runs).containsExactly(new Run(new Span(100, 130), Why.ALARM));
        var day = new DayActivity(new Span(0, 1000), Spans.of(0, 1000), runs, Spans.NONE, Spans.NONE);
        assertThat(day.seconds()).isEqualTo(Map.of(Why.ALARM, 30L));
        assertThat(day.recorded()).isEqualTo(Spans.of(100, 130));
    }
}
