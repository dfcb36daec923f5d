package choir.motion;

import static choir.motion.Marked.pass;
import static choir.motion.Marked.setting;
import static choir.motion.Marked.square;
import static choir.motion.Marked.unwanted;
import static choir.motion.Marked.wanted;
import static choir.motion.Marked.whole;
import static org.assertj.core.api.Assertions.assertThat;

import choir.area.CellGrid;
import choir.motion.GroupSuggestion.Common;
import choir.motion.GroupSuggestion.Outcome;
import choir.motion.GroupSuggestion.Table;
import choir.motion.Suggestion.Choices;
import java.util.List;
import java.util.Optional;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;

class GroupSuggestionTest {
    private static final Choices FINE = new Choices(
            IntStream.rangeClosed(0, 100).mapToObj(s -> (double) s).toList(),
            false,
            IntStream.rangeClosed(1, 200).mapToObj(t -> t / 4_000.0).toList());
    private static final List<Mark> MARKS = List.of(unwanted(1, 29, "grass"), wanted(40, 42, "walker"));

    /** Somebody of a size and contrast before grass that moves so strongly. */
    private static Pass yard(int walker, int contrast, int grass) {
        return pass(100, (i, picture) -> {
            for (int n = 0; i < 60 && n < 20; n++) {
                square(picture, (n * 37 + i * 11) % 150, (n * 29 + i * 7) % 76, 4, 100 + grass);
            }
            if (i >= 80 && i < 84) {
                square(picture, 90 + 8 * (i - 80), 30, walker, 100 + contrast);
            }
        });
    }

    private static Table<String> table(String who, Pass pass, Choices choices) {
        var best = Suggestion.of(pass, whole(), MARKS, choices, setting(.01, 0), new CellGrid(16, 8))
                .orElseThrow();
        return new Table<>(who, pass, whole(), MARKS, choices, setting(.01, 0), 1, best);
    }

    @Test
    void oneSettingServesThoseThatAreAlikeAndTheOddOneHasItsOwn() {
        var alike = IntStream.range(0, 4)
                .mapToObj(n -> table("like " + n, yard(14 + n, 60, 12), FINE))
                .toList();
        // Hardly to be seen, where no grass is; whoever sees this sees the others' grass as well.
        var odd = table("odd", yard(14, 10, 0), FINE);
        var all = new java.util.ArrayList<>(alike);
        all.add(2, odd);
        var found = GroupSuggestion.of(all).orElseThrow();
        assertThat(found.served()).extracting(Outcome::who).containsExactly("like 0", "like 1", "like 2", "like 3");
        assertThat(found.own()).extracting(Outcome::who).containsExactly("odd");
        assertThat(found.served()).allSatisfy(o -> {
            assertThat(o.common().missed()).isZero();
            assertThat(o.common().falseStarts()).isZero();
        });
        var own = found.own().getFirst();
        assertThat(own.common().missed() + own.common().falseStarts())
                .isGreaterThan(own.best().missed() + own.best().falseStarts());
        // Tried by itself it does what was told.
        var tried = Trial.of(
                setting(found.setting().threshold(), 0),
                yard(14, 60, 12)
                        .levels(
                                Step.Fixed.ofSensitivity(
                                        found.setting().sensitivity().orElseThrow()),
                                whole()),
                MARKS);
        assertThat(tried.missed()).isEmpty();
        assertThat(tried.falseStarts()).isZero();
    }

    @Test
    void eachDeviceTakesTheNearestThatItHas() {
        var blunt = new Choices(List.of(40.0), false, List.of(.05));
        var table = table("blunt", yard(20, 60, 12), blunt);
        var found = GroupSuggestion.of(List.of(table)).orElseThrow();
        // Whatever is said it does the same, so that all settings serve it.
        assertThat(found.own()).isEmpty();
        assertThat(found.served().getFirst().own()).isEqualTo(new Common(Optional.of(40.0), .05));
        assertThat(found.served().getFirst().common())
                .isEqualTo(found.served().getFirst().best());
    }

    @Test
    void adaptingIsSaidOnlyToThoseThatAllDo() {
        var adapts = new Choices(List.of(), true, FINE.thresholds());
        var alone = table("adapts", yard(14, 60, 0), adapts);
        assertThat(GroupSuggestion.of(List.of(alone)).orElseThrow().setting().sensitivity())
                .isEmpty();
        assertThat(GroupSuggestion.of(List.of(alone, table("fixed", yard(14, 60, 0), FINE))))
                .isEmpty();
    }
}
