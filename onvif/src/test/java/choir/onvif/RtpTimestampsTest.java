package choir.onvif;

import static org.assertj.core.api.Assertions.assertThat;

import java.nio.ByteBuffer;
import java.time.Duration;
import java.time.Instant;
import java.util.Optional;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

class RtpTimestampsTest {
    private static final Instant NOON = Instant.parse("2026-02-03T12:00:00Z");
    private static final int QUARTER = 22_500;

    private final RtpTimestamps timestamps = new RtpTimestamps();

    private static byte[] packet(long ticks) {
        return ByteBuffer.allocate(20).put((byte) 0x80).putInt(4, (int) ticks).array();
    }

    private int placed(long ticks, Optional<Instant> at) {
        byte[] packet = packet(ticks);
        timestamps.place(packet, at);
        return ByteBuffer.wrap(packet).getInt(4);
    }

    private int placed(long ticks, Duration after) {
        return placed(ticks, Optional.of(NOON.plus(after)));
    }

    @ParameterizedTest
    @ValueSource(longs = {0, 1, 123_456, (1L << 31) - 7, (1L << 32) - QUARTER, (1L << 32) - 1})
    void whereverTheyBeginTheyGoOnFromOne(long first) {
        for (int n = 0; n < 8; n++) {
            assertThat(placed(first + (long) n * QUARTER, Optional.empty())).isEqualTo(1 + n * QUARTER);
        }
    }

    @Test
    void whoStartsThemAnewAfterAGapIsSetRightByTheTimeThatItTells() {
        var _ = placed(0, Duration.ZERO);
        assertThat(placed(40 * QUARTER, Duration.ofSeconds(10))).isEqualTo(1 + 40 * QUARTER);
        assertThat(placed(0, Duration.ofSeconds(14))).isEqualTo(1 + 56 * QUARTER);
        // The further packets of one picture need not tell when it was.
        assertThat(placed(0, Optional.empty())).isEqualTo(1 + 56 * QUARTER);
        assertThat(placed(QUARTER, Duration.ofMillis(14_250))).isEqualTo(1 + 57 * QUARTER);
    }

    @Test
    void timesToldInWholeSecondsMoveNothing() {
        for (int n = 0; n < 40; n++) {
            assertThat(placed((long) n * QUARTER, Duration.ofSeconds(n / 4))).isEqualTo(1 + n * QUARTER);
        }
    }

    @Test
    void hoursWithoutAGapStayExact() {
        long hours = 30;
        var _ = placed(7, Duration.ZERO);
        assertThat(placed(7 + hours * 3_600 * 90_000, Duration.ofHours(hours)))
                .isEqualTo((int) (1 + hours * 3_600 * 90_000));
    }

    @Test
    void whatIsNoPacketIsLeftAsItIs() {
        byte[] stranger = new byte[7];
        timestamps.place(stranger, Optional.of(NOON));
        assertThat(stranger).containsOnly(0);
    }
}
