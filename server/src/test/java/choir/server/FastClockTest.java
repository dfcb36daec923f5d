package choir.server;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import choir.refusal.Refusal;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.time.ZoneId;
import java.time.ZoneOffset;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

class FastClockTest {
    private static final Instant FROM = Instant.parse("2027-01-14T06:00:00Z");

    private static Clock real(Duration since) {
        return Clock.fixed(FROM.plus(since), ZoneOffset.UTC);
    }

    @Test
    void itGoesAsUsualUntilThenAndManyTimesAsFastAfterwards() {
        assertThat(FastClock.of(real(Duration.ofHours(-1)), "60@" + FROM).instant())
                .isEqualTo(FROM.minusSeconds(3600));
        assertThat(FastClock.of(real(Duration.ZERO), "60@" + FROM).instant()).isEqualTo(FROM);
        assertThat(FastClock.of(real(Duration.ofMinutes(24)), "60@" + FROM).instant())
                .isEqualTo(FROM.plus(Duration.ofDays(1)));
        var faroe = ZoneId.of("Atlantic/Faroe");
        assertThat(FastClock.of(real(Duration.ofMinutes(1)), "60@" + FROM)
                        .withZone(faroe)
                        .instant())
                .isEqualTo(FROM.plus(Duration.ofHours(1)));
    }

    @ParameterizedTest
    @ValueSource(
            strings = {
                "",
                "60",
                "0@2027-01-14T06:00:00Z",
                "60@soon",
                "fast@2027-01-14T06:00:00Z",
                "200000@2027-01-14T06:00:00Z"
            })
    void whatIsNoSpeedIsRefused(String text) {
        assertThatThrownBy(() -> FastClock.of(Clock.systemUTC(), text))
                .isInstanceOf(Refusal.class)
                .hasMessageContaining("60@2027-01-14T06:00:00Z");
    }
}
