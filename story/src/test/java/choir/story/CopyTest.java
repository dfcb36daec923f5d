package choir.story;

import static org.assertj.core.api.Assertions.assertThat;

import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;

/** The settings of a good camera given to others. */
class CopyTest {
    private Ensemble choir;

    @BeforeEach
    void start() {
        choir = new Ensemble();
        choir.recorder("haldr-1", "tern", 3);
        choir.load("""
                template: house
                motion: {sensitivity: 50}
                recording: {week: [daily: motion], after-event: 15s}
                ---
                group: fleet
                use: [house]
                ---
                camera: haldr-1/01
                set:
                  motion.sensitivity: 80
                  recording.week: [mon-fri 06:00-09:00: continuous]
                  recording.before-event: 7s
                because: tuned by hand
                """);
    }

    @AfterEach
    void stop() {
        choir.close();
    }

    @Test
    void whatTravelsIsCopiedAndWhatDependsOnTheSceneStaysBehind() {
        var said =
                choir.choir("copy", "--from", "haldr-1/01", "--to", "recorder:haldr-1", "--because", "as at the pier");
        assertThat(said.exitCode()).as(said.errors()).isZero();
        assertThat(said.out())
                .contains("copied recording.week, recording.before-event, recording.after-event to 2 cameras")
                .contains("left behind, since scenes differ: motion.sensitivity");
        assertThat(choir.choir("explain", "haldr-1/02").out())
                .contains("Sensitivity  50")
                .contains("mon-fri 06:00-09:00 continuous")
                .contains("Before event  7s")
                .contains("because: as at the pier");
        assertThat(choir.choir("explain", "haldr-1/01").out()).contains("because: tuned by hand");
    }

    @Test
    void whatDependsOnTheSceneIsCopiedWhenItIsNamedAndWarnedOf() {
        var said = choir.choir(
                "copy",
                "--from",
                "haldr-1/01",
                "--to",
                "camera:haldr-1/03",
                "--settings",
                "motion.sensitivity",
                "--because",
                "same view");
        assertThat(said.out()).contains("warning: Sensitivity depends on the scene");
        assertThat(choir.choir("explain", "haldr-1/03", "motion.sensitivity").out())
                .contains("Sensitivity  80");
    }

    @Test
    void aCopyThatCannotBeIsToldAndStoresNothing() {
        var before = choir.everythingStored();
        assertThat(choir.choir("copy", "--from", "haldr-1/01", "--to", "camera:haldr-1/01", "--because", "x")
                        .errors())
                .contains("holds no other camera");
        assertThat(choir.choir(
                                "copy",
                                "--from",
                                "haldr-1/01",
                                "--to",
                                "recorder:haldr-1",
                                "--settings",
                                "motion.log",
                                "--because",
                                "x")
                        .errors())
                .contains("motion.log is not governed at haldr-1/01");
        assertThat(choir.choir("copy", "--from", "haldr-1/01", "--to", "recorder:haldr-1", "--because", " ")
                        .errors())
                .contains("an override needs a reason");
        assertThat(choir.everythingStored()).isEqualTo(before);
    }
}
