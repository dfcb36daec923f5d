package choir.fleet;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import org.junit.jupiter.api.Test;

class NearestTest {
    private static final List<String> KEYS =
            List.of("motion.threshold", "motion.sensitivity", "motion.sensitivity-by-time", "recording.week");

    @Test
    void aSlipOfTheFingersIsUnderstood() {
        assertThat(Nearest.to("motion.thresold", KEYS)).contains("motion.threshold");
        assertThat(Nearest.to("recordng.wek", KEYS)).contains("recording.week");
        assertThat(Nearest.hint("recordng.wek", KEYS)).isEqualTo("; did you mean \"recording.week\"?");
    }

    @Test
    void aWordThatWasBegunIsUnderstoodWhereItCanBeOneAlone() {
        assertThat(Nearest.to("motion.thr", KEYS)).contains("motion.threshold");
        assertThat(Nearest.to("recording", KEYS)).contains("recording.week");
        assertThat(Nearest.to("motion.sens", KEYS)).isEmpty();
        assertThat(Nearest.to("re", KEYS)).isEmpty();
    }

    @Test
    void whatIsFarFromEverythingIsNothing() {
        assertThat(Nearest.to("banana", KEYS)).isEmpty();
        assertThat(Nearest.to("motion.threshold", List.of())).isEmpty();
        assertThat(Nearest.hint("banana", KEYS)).isEmpty();
    }
}
