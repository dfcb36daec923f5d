package choir.story;

import static org.assertj.core.api.Assertions.assertThat;

import choir.sim.Simulator;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.util.concurrent.TimeUnit;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** An independent client of the standard talks to the simulated recorders, so that two mistakes of ours cannot agree. */
class IndependentClientTest {
    private static String run(int port, String recorder, String password) throws IOException, InterruptedException {
        var process = new ProcessBuilder("node", "interop.mjs", Integer.toString(port), recorder, "choir", password)
                .directory(Path.of("interop").toFile())
                .redirectErrorStream(true)
                .start();
        var out = new String(process.getInputStream().readAllBytes(), StandardCharsets.UTF_8);
        assertThat(process.waitFor(60, TimeUnit.SECONDS)).as(out).isTrue();
        return out;
    }

    @ParameterizedTest
    @ValueSource(strings = {"tern", "gannet"})
    void readsASimulatedRecorderAndHearsItsMotion(String make) throws Exception {
        try (var simulator = Simulator.start(0)) {
            simulator.add("haldr-1", make, "choir", "secret", 2);
            var out = run(simulator.port(), "haldr-1", "secret");
            assertThat(out)
                    .contains("manufacturer " + Character.toUpperCase(make.charAt(0)) + make.substring(1))
                    .contains("profiles 2")
                    .contains("jobs continuous motion alarm")
                    .contains("rule tt:CellMotionDetector")
                    .contains("motion true");
        }
    }

    @Test
    void isRefusedWithAWrongPassword() throws Exception {
        try (var simulator = Simulator.start(0)) {
            simulator.add("haldr-1", "tern", "choir", "secret", 1);
            assertThat(run(simulator.port(), "haldr-1", "guessed"))
                    .contains("refused")
                    .doesNotContain("profiles");
        }
    }
}
