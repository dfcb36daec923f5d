package choir.onvif;

import java.nio.ByteBuffer;
import java.time.Instant;
import java.util.Optional;

/** The absolute time that a replay puts into the extension of each packet's header (ONVIF Streaming, profile 0xABAC). */
final class RtpTime {
    private static final int HEADER = 12;
    private static final int EXTENSION = 0x10;
    private static final int PROFILE = 0xABAC;
    private static final int WORDS = 3;
    /** Seconds from 1900 to 1970 (RFC 5905). */
    private static final long EPOCH = 2_208_988_800L;

    private RtpTime() {}

    static boolean isPacket(byte[] packet) {
        return packet.length >= HEADER && (packet[0] & 0xC0) == 0x80;
    }

    /** Empty when the packet tells none, or is no packet. */
    static Optional<Instant> of(byte[] packet) {
        if (!isPacket(packet) || (packet[0] & EXTENSION) == 0) {
            return Optional.empty();
        }
        int at = HEADER + 4 * (packet[0] & 0x0F);
        if (packet.length < at + 12) {
            return Optional.empty();
        }
        var buffer = ByteBuffer.wrap(packet, at, packet.length - at);
        if ((buffer.getShort() & 0xFFFF) != PROFILE || (buffer.getShort() & 0xFFFF) < WORDS) {
            return Optional.empty();
        }
        long seconds = buffer.getInt() & 0xFFFFFFFFL;
        long fraction = buffer.getInt() & 0xFFFFFFFFL;
        return Optional.of(Instant.ofEpochSecond(seconds - EPOCH, fraction * 1_000_000_000L >>> 32));
    }
}
