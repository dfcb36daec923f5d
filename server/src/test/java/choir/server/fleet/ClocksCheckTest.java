package choir.server.fleet;

import static org.assertj.core.api.Assertions.assertThat;

import choir.server.checkup.Check.State;
import java.util.List;
import org.junit.jupiter.api.Test;

class ClocksCheckTest {
    private static State state(Long... ahead) {
        return ClocksCheck.judge(List.of(ahead)).state();
    }

    @Test
    void oneWrongRecorderIsThatRecordersFault() {
        assertThat(state(-2L, 0L, 1L, 2_220L)).isEqualTo(State.LOOK);
        assertThat(state(-2L, 0L, 1L)).isEqualTo(State.WELL);
        assertThat(state()).isEqualTo(State.NOT_KNOWN);
    }

    @Test
    void whenMostAreWrongInTheSameWayItIsThisMachine() {
        assertThat(state(-3_601L, -3_600L, -3_599L, 0L)).isEqualTo(State.WRONG);
        assertThat(state(-7_200L, -3_600L, 3_599L, 9_000L))
                .as("each in its own way")
                .isEqualTo(State.LOOK);
        assertThat(state(300L, 301L)).as("two are no majority").isEqualTo(State.LOOK);
    }
}
