package choir.sim;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.io.IOException;
import java.net.http.HttpClient;
import java.net.http.HttpRequest;
import java.net.http.HttpResponse.BodyHandlers;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

class ScenarioTest {
    @Test
    void aWeekTakesAMinute() {
        var scenario = Scenario.parse("""
                # of no interest
                speed 10080

                P7D   haldr-1?clock=PT1M
                PT0S  haldr-1/01?sensitivity=40
                """);
        assertThat(scenario.acts())
                .extracting(Scenario.Act::turn)
                .containsExactly("haldr-1/01?sensitivity=40", "haldr-1?clock=PT1M");
        assertThat(scenario.played(scenario.acts().getLast())).isEqualTo(Duration.ofMinutes(1));
    }

    @ParameterizedTest
    @ValueSource(strings = {"PT1S", "tomorrow haldr-1?clock=PT1M", "speed fast", "speed"})
    void aLineThatSaysNothingIsNamed(String line) {
        assertThatThrownBy(() -> Scenario.parse("\n" + line))
                .isInstanceOf(IllegalArgumentException.class)
                .hasMessageStartingWith("line 2: ");
    }

    private static String send(Simulator simulator, String method, String body) throws Exception {
        var at = simulator.panel("").resolve("/scenario");
        return HttpClient.newHttpClient()
                .send(
                        HttpRequest.newBuilder(at)
                                .method(method, HttpRequest.BodyPublishers.ofString(body))
                                .build(),
                        BodyHandlers.ofString())
                .body();
    }

    @Test
    void whatItSaysHappensAndWhatCannotIsTold() throws Exception {
        try (var simulator = Simulator.start(0)) {
            var recorder = simulator.add("haldr-1", "tern", "u", "p", 2);
            assertThat(send(simulator, "POST", "nonsense")).startsWith("line 1: ");
            send(simulator, "POST", """
                    speed 3600
                    PT0S   haldr-1/01?label=Pier
                    PT1H   haldr-1/02?label=Gate
                    PT1H   nobody?clock=PT1M
                    P30D   haldr-1/01?label=Never
                    """);
            for (int i = 0; i < 200 && !send(simulator, "GET", "").contains("nobody"); i++) {
                Thread.sleep(25);
            }
            assertThat(send(simulator, "GET", "")).startsWith("2 of 4 played").contains("PT1H nobody?clock=PT1M: ");
            assertThat(recorder.channels).extracting(c -> c.label).containsExactly("Pier", "Gate");
        }
    }

    /** The one that ships with the demo names recorders and channels that are there. */
    @Test
    void theWeekOfTheDemoCanBePlayed() throws IOException {
        try (var simulator = Simulator.start(0)) {
            SimFleet.load(simulator, Path.of("../demo/skerry-line.yaml"));
            var scenario = Scenario.parse(Files.readString(Path.of("../demo/week-of-drift.txt")));
            assertThat(scenario.acts()).hasSizeGreaterThan(5);
            var panel = new FrontPanel(simulator.recorders());
            scenario.acts().forEach(act -> panel.turn(act.turn()));
        }
    }
}
