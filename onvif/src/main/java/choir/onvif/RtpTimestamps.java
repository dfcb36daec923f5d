package choir.onvif;

import java.nio.ByteBuffer;
import java.time.Duration;
import java.time.Instant;
import java.util.Optional;

/**
 * Timestamps of one stream's packets (RFC 3550, in ticks of 90 kHz) as general players can use them: the first is never
 * nought, which players take for none and then place the second picture where the first was; and where a recorder starts
 * them anew within a stream, as at a gap of its footage, the absolute time that it tells sets them right.
 */
final class RtpTimestamps {
    /** Of the first packet. */
    static final int FIRST = 1;

    private static final int PLACE = 4;
    private static final int TICKS = 90_000;
    /** Further off than this from what the absolute times say, they are not of one row; less is how exact those are told. */
    private static final int FAR = 2 * TICKS;

    private boolean begun;
    private int shift;
    private Optional<Instant> origin = Optional.empty();

    /** @param at when its picture was taken, if it tells; the packet's timestamp is changed, unless it is no packet */
    void place(byte[] packet, Optional<Instant> at) {
        if (!RtpTime.isPacket(packet)) {
            return;
        }
        var buffer = ByteBuffer.wrap(packet);
        int said = buffer.getInt(PLACE);
        if (!begun) {
            begun = true;
            shift = FIRST - said;
            origin = at;
        }
        if (origin.isPresent() && at.isPresent()) {
            int off = FIRST + ticks(Duration.between(origin.get(), at.get())) - (said + shift);
            if (Math.abs((long) off) > FAR) {
                shift += off;
            }
        }
        buffer.putInt(PLACE, said + shift);
    }

    /** As far as 32 bits go, as the timestamps themselves. */
    private static int ticks(Duration span) {
        return (int) (span.toMillis() * (TICKS / 1000));
    }
}
