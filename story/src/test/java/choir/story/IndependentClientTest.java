package choir.story;

import static org.assertj.core.api.Assertions.assertThat;

import choir.sim.Simulator;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.util.List;
import java.util.concurrent.TimeUnit;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.Arguments;
import org.junit.jupiter.params.provider.MethodSource;
import org.junit.jupiter.params.provider.ValueSource;

/** Independent clients of the standard talk to the simulated recorders, so that two mistakes of ours cannot agree. */
class IndependentClientTest {
    private static String run(int port, String recorder, String password) throws IOException, InterruptedException {
        return run("interop.mjs", Integer.toString(port), recorder, "choir", password);
    }

    private static String run(String... script) throws IOException, InterruptedException {
        var process = new ProcessBuilder(
                        Stream.concat(Stream.of("node"), Stream.of(script)).toList())
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
                    .contains("motion true")
                    .contains("stream rtsp://127.0.0.1")
                    .contains("replay rtsp://127.0.0.1")
                    .contains("recordings 2")
                    .contains("renewed")
                    .contains("given back")
                    .doesNotContain("refused");
        }
    }

    @ParameterizedTest
    @MethodSource("clients")
    void threeFurtherClientsGetWhatTheyAskFirst(String client, List<String> understood) throws Exception {
        try (var simulator = Simulator.start(0)) {
            simulator.add("haldr-1", "tern", "choir", "secret", 2);
            var out = run("clients.mjs", client, Integer.toString(simulator.port()), "haldr-1", "choir", "secret");
            assertThat(out.lines().toList())
                    .contains("manufacturer Tern model TN-16", "profiles 2")
                    .containsAll(understood)
                    .noneMatch(line -> line.startsWith("refused") || line.endsWith("false"));
        }
    }

    static Stream<Arguments> clients() {
        return Stream.of(
                Arguments.of(
                        "first",
                        List.of(
                                "encoder H264 1920",
                                "still image/jpeg true",
                                "sources 2",
                                "source configurations 2",
                                "encoders 2",
                                "services 9",
                                "user choir",
                                "topics true")),
                Arguments.of("listening", List.of("subscribed true", "pulled true", "properties true")),
                Arguments.of(
                        "generated",
                        List.of(
                                "rules true",
                                "modules true",
                                "supported rules true",
                                "supported modules true",
                                "recordings 2",
                                "jobs 8",
                                "job state true",
                                "summary 2",
                                "found 2 Completed")));
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
