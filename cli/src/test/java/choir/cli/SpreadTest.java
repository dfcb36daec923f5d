package choir.cli;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

class SpreadTest {
    @Test
    void numbersThatDifferStandAsTheLeastAndTheMost() {
        assertThat(Spread.of(List.of(
                        "is 14 steps of 100 too low", "is 2 steps of 100 too low", "is 9.5 steps of 100 too low")))
                .isEqualTo("is 2 to 14 steps of 100 too low");
        assertThat(Spread.of(List.of("holds -3", "holds 3"))).isEqualTo("holds -3 to 3");
        assertThat(Spread.of(List.of("0.25% not 1%", "0.3% not 1%"))).isEqualTo("0.25 to 0.3% not 1%");
    }

    @Test
    void oneSentenceStaysAsItIs() {
        assertThat(Spread.of(List.of("costs $5 and \\1, 7 of 24 h"))).isEqualTo("costs $5 and \\1, 7 of 24 h");
    }

    @ParameterizedTest
    @ValueSource(
            strings = {"camera pier-1/07", "since 2027-03-01", "at 14:10", "H264", "v5.4.1", "127.0.0.1", "SN-0042"})
    void whatNamesSomethingIsNoNumber(String words) {
        assertThat(Spread.pattern(words)).isEqualTo(words);
    }

    @Test
    void sentencesOfAnotherShapeAreNotSaidAtOnce() {
        assertThatThrownBy(() -> Spread.of(List.of("is 1 low", "is 1 high")))
                .isInstanceOf(IllegalArgumentException.class);
        assertThatThrownBy(() -> Spread.of(List.of())).isInstanceOf(IllegalArgumentException.class);
    }
}
