package choir.motion;

import static choir.motion.Marked.at;
import static choir.motion.Marked.levels;
import static choir.motion.Marked.setting;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import choir.motion.Agreement.Both;
import choir.motion.Agreement.Span;
import choir.motion.Trial.Lane;
import java.time.Duration;
import java.util.List;
import java.util.Random;
import java.util.stream.DoubleStream;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

class AgreementTest {
    private static Span span(double from, double until) {
        return new Span(at(from), at(until));
    }

    @Test
    void eventsThatMeetAreSharedAndTheUsualDelayIsTold() {
        var model = Trial.of(
                        setting(.04, 0),
                        levels(0, .05, 0, 0, 0, 0, 0, 0, 0, 0, 0, 0, 0, 0, 0, 0, 0, 0, 0, 0, .05, 0, 0, 0),
                        List.of())
                .events();
        var found = Agreement.of(model, List.of(span(1.5, 2), span(30, 31)), at(60));
        assertThat(found.recorder()).isEqualTo(2);
        assertThat(found.model()).isEqualTo(2);
        assertThat(found.recorderSeen()).isEqualTo(1);
        assertThat(found.modelSeen()).isEqualTo(1);
        assertThat(found.delay()).contains(Duration.ofSeconds(1));
        assertThat(found.share().orElseThrow()).isCloseTo(.5, within(1e-9));
        assertThat(Agreement.of(List.of(), List.of(), at(60)).share()).isEmpty();
    }

    /** A recorder that sees so many times as much, or so little, as the model. */
    private static Both seen(Random random, double factor) {
        var values = new double[1_200];
        for (int event = 0; event < 12; event++) {
            double level = .002 * Math.pow(2, random.nextInt(8));
            for (int i = 0; i < 6; i++) {
                values[event * 100 + 20 + i] = level;
            }
        }
        var lane = new Lane("", levels(values), .03);
        var theirs = Trial.ofAreas(setting(.03, 0), List.of(lane.times(factor)), List.of()).events().stream()
                .map(e -> new Span(e.begin(), e.end().orElse(at(600))))
                .toList();
        return new Both(setting(.03, 0), List.of(lane), theirs, at(600));
    }

    @ParameterizedTest
    @ValueSource(doubles = {.125, 8})
    void theFactorOfARecorderThatSeesOtherwiseIsFound(double factor) {
        var random = new Random(3);
        var seen = Stream.generate(() -> seen(random, factor)).limit(6).toList();
        var found = Agreement.factor(seen).orElseThrow();
        assertThat(found.before()).isLessThan(Agreement.ENOUGH);
        assertThat(found.after()).isEqualTo(1);
        // Levels are octaves apart here, so that any factor within one does the same.
        assertThat(Math.abs(Math.log(found.value() / factor) / Math.log(2))).isLessThan(1);
        assertThat(found.events())
                .isEqualTo(seen.stream().mapToInt(b -> b.recorder().size()).sum());
    }

    @Test
    void whereBothSeeTheSameThereIsNone() {
        assertThat(Agreement.factor(List.of(seen(new Random(4), 1)))).isEmpty();
    }

    @Test
    void whereNothingBringsThemTogetherThereIsNone() {
        var quiet =
                new Lane("", levels(DoubleStream.generate(() -> 0).limit(600).toArray()), .03);
        var elsewhere = new Both(
                setting(.03, 0),
                List.of(quiet),
                List.of(span(10, 11), span(40, 41), span(80, 81), span(120, 121), span(160, 161), span(200, 201)),
                at(300));
        assertThat(Agreement.factor(List.of(elsewhere))).isEmpty();
    }

    @Test
    void ofAFewEventsNothingIsConcluded() {
        var lane = new Lane("", levels(0, .01, .01, 0, 0, 0, 0, 0), .03);
        var few = new Both(setting(.03, 0), List.of(lane), List.of(span(.5, 1.5)), at(4));
        assertThat(Agreement.factor(List.of(few))).isEmpty();
    }
}
