package choir.sim;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import java.time.Duration;
import java.time.Instant;
import org.junit.jupiter.api.AfterEach;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

class SimTimeTest {
    @AfterEach
    void goOnAsUsual() {
        SimTime.pace("1@1970-01-01T00:00:00Z");
    }

    @Test
    void itGoesFastFromAnInstantOnAndNeverBack() {
        var from = Instant.now().minusSeconds(10);
        SimTime.pace("3600@" + from);
        var first = SimTime.now();
        var second = SimTime.now();
        assertThat(Duration.between(from, first)).isBetween(Duration.ofHours(10), Duration.ofHours(24));
        assertThat(second).isAfterOrEqualTo(first);
        // What is still to come begins when it comes.
        SimTime.pace("3600@" + Instant.now().plusSeconds(3600));
        assertThat(Duration.between(SimTime.now(), Instant.now()).abs()).isLessThan(Duration.ofMinutes(1));
    }

    @Test
    void whatIsRecordedGoesOnWithIt() {
        try (var simulator = Simulator.start(0)) {
            var recorder = simulator.add("r", "tern", "u", "p", 1);
            var from = Instant.now().minusSeconds(60);
            SimTime.pace("1440@" + from);
            // A day has gone by in a minute, and there is footage of its end.
            var now = SimTime.now();
            assertThat(now).isAfter(Instant.now().plus(Duration.ofHours(20)));
            assertThat(new SimLife(recorder, recorder.channels.getFirst())
                            .recorded(now.minus(Duration.ofHours(2)), now))
                    .isNotEmpty();
            assertThat(recorder.localTime().toInstant()).isAfterOrEqualTo(now);
        }
    }

    @ParameterizedTest
    @ValueSource(
            strings = {
                "60",
                "0@2027-01-14T06:00:00Z",
                "x@2027-01-14T06:00:00Z",
                "60@soon",
                "1000000@2027-01-14T06:00:00Z"
            })
    void whatIsNoSpeedIsRefused(String text) {
        assertThatThrownBy(() -> SimTime.pace(text)).isInstanceOf(IllegalArgumentException.class);
    }
}
