package choir.activity;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import choir.Vectors;
import choir.activity.RecordedWeek.Span;
import choir.activity.RecordedWeek.Stretch;
import choir.week.Trigger;
import choir.week.TriggerSet;
import choir.week.Week;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.Arguments;
import org.junit.jupiter.params.provider.MethodSource;
import tools.jackson.databind.JsonNode;

class RecordedWeekTest {
    private static Week<TriggerSet> week(JsonNode given) {
        List<Week.Run<TriggerSet>> runs = new ArrayList<>();
        given.path("week")
                .forEach(r -> runs.add(new Week.Run<>(
                        r.get(0).asInt(),
                        r.get(1).asInt(),
                        TriggerSet.parse(r.get(2).asString()))));
        return Week.of(runs);
    }

    private static List<Span> spans(JsonNode given) {
        List<Span> spans = new ArrayList<>();
        given.forEach(s -> spans.add(new Span(s.get(0).asInt(), s.get(1).asInt())));
        return spans;
    }

    static Stream<Arguments> recorded() {
        return Vectors.cases("recorded-stretches.json");
    }

    @ParameterizedTest
    @MethodSource("recorded")
    void leavesWhatTheSlowMethodLeaves(int number, JsonNode given) {
        List<Stretch> expected = new ArrayList<>();
        given.path("recorded")
                .forEach(s -> expected.add(new Stretch(
                        new Span(s.get(0).asInt(), s.get(1).asInt()),
                        Arrays.stream(Trigger.values())
                                .filter(t -> t.text().equals(s.get(2).asString()))
                                .findFirst()
                                .orElseThrow())));
        var left = RecordedWeek.of(
                week(given),
                Map.of(
                        Trigger.MOTION, spans(given.path("motion")),
                        Trigger.ALARM, spans(given.path("alarm")),
                        Trigger.ANALYTICS, spans(given.path("analytics"))),
                given.path("beforeSeconds").asInt(),
                given.path("afterSeconds").asInt());
        assertThat(left).as("case %d", number).isEqualTo(expected);
    }

    @Test
    void minutesThatNobodySpeaksOfRecordNothing() {
        Week<TriggerSet> silent = Week.silent();
        assertThat(RecordedWeek.of(silent, Map.of(Trigger.MOTION, List.of(new Span(0, 100))), 5, 5))
                .isEmpty();
    }

    @Test
    void buffersEndWithTheWeek() {
        var last = new Span(RecordedWeek.SECONDS - 10, RecordedWeek.SECONDS);
        assertThat(RecordedWeek.of(
                        Week.always(TriggerSet.MOTION), Map.of(Trigger.MOTION, List.of(new Span(3, 9), last)), 5, 20))
                .containsExactly(
                        new Stretch(new Span(0, 29), Trigger.MOTION),
                        new Stretch(new Span(RecordedWeek.SECONDS - 15, RecordedWeek.SECONDS), Trigger.MOTION));
        assertThatThrownBy(() -> new Span(5, RecordedWeek.SECONDS + 1)).hasMessageContaining("no span of a week");
    }
}
