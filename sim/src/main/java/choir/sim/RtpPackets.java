package choir.sim;

import java.awt.image.BufferedImage;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.ByteBuffer;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import javax.imageio.ImageIO;

/** Pictures cut into packets as the standards say: H.264 by RFC 6184, JPEG by RFC 2435. */
final class RtpPackets {
    private static final int MOST = 1_400;
    private static final int H264 = 96;
    private static final int JPEG = 26;
    private static final long NTP_EPOCH = 2_208_988_800L;
    /** JPEG of three components, the colour at half the size both ways. */
    private static final int JPEG_420 = 1;

    private static final int TABLES_INSIDE = 255;

    private final boolean jpeg;
    private final boolean replay;
    private final int source;
    private int sequence;

    /** @param replay whether each packet tells its absolute time */
    RtpPackets(boolean jpeg, boolean replay, int source) {
        this.jpeg = jpeg;
        this.replay = replay;
        this.source = source;
    }

    /** @param data without the header */
    @SuppressWarnings("ArrayRecordComponent")
    private record Piece(byte[] data, boolean last) {}

    /**
     * @param clock in 90,000ths of a second
     * @param flags of the replay's extension
     */
    List<byte[]> packets(List<byte[]> units, long clock, Instant at, int flags) {
        List<Piece> pieces = jpeg ? jpegPieces(units.getFirst()) : h264Pieces(units);
        List<byte[]> packets = new ArrayList<>();
        for (var piece : pieces) {
            packets.add(packet(piece, clock, at, flags));
        }
        return packets;
    }

    private byte[] packet(Piece piece, long clock, Instant at, int flags) {
        var buffer = ByteBuffer.allocate(12 + (replay ? 16 : 0) + piece.data().length);
        buffer.put((byte) (0x80 | (replay ? 0x10 : 0)));
        buffer.put((byte) ((piece.last() ? 0x80 : 0) | (jpeg ? JPEG : H264)));
        buffer.putShort((short) sequence++);
        buffer.putInt((int) clock);
        buffer.putInt(source);
        if (replay) {
            buffer.putShort((short) 0xABAC);
            buffer.putShort((short) 3);
            buffer.putInt((int) (at.getEpochSecond() + NTP_EPOCH));
            buffer.putInt((int) (at.getNano() * (1L << 32) / 1_000_000_000L));
            buffer.put((byte) flags);
            buffer.put((byte) 0);
            buffer.putShort((short) 0);
        }
        return buffer.put(piece.data()).array();
    }

    private static List<Piece> h264Pieces(List<byte[]> units) {
        List<Piece> pieces = new ArrayList<>();
        for (int u = 0; u < units.size(); u++) {
            byte[] unit = units.get(u);
            boolean lastUnit = u == units.size() - 1;
            if (unit.length <= MOST) {
                pieces.add(new Piece(unit, lastUnit));
                continue;
            }
            for (int at = 1; at < unit.length; at += MOST) {
                int length = Math.min(MOST, unit.length - at);
                boolean end = at + length == unit.length;
                byte[] data = new byte[2 + length];
                data[0] = (byte) (unit[0] & 0xE0 | 28);
                data[1] = (byte) (unit[0] & 0x1F | (at == 1 ? 0x80 : 0) | (end ? 0x40 : 0));
                System.arraycopy(unit, at, data, 2, length);
                pieces.add(new Piece(data, lastUnit && end));
            }
        }
        return pieces;
    }

    private static List<Piece> jpegPieces(byte[] file) {
        var tables = new ByteArrayOutputStream();
        int at = 2;
        while ((file[at + 1] & 0xFF) != 0xDA) {
            int length = (file[at + 2] & 0xFF) << 8 | file[at + 3] & 0xFF;
            if ((file[at + 1] & 0xFF) == 0xDB) {
                for (int t = at + 4; t < at + 2 + length; t += 65) {
                    tables.write(file, t + 1, 64);
                }
            }
            at += 2 + length;
        }
        at += 2 + ((file[at + 2] & 0xFF) << 8 | file[at + 3] & 0xFF);
        byte[] quantities = tables.toByteArray();
        List<Piece> pieces = new ArrayList<>();
        int end = file.length - 2;
        for (int from = at; from < end; from += MOST) {
            int length = Math.min(MOST, end - from);
            boolean first = from == at;
            var buffer = ByteBuffer.allocate(8 + (first ? 4 + quantities.length : 0) + length);
            buffer.putInt(from - at);
            buffer.put((byte) JPEG_420);
            buffer.put((byte) TABLES_INSIDE);
            buffer.put((byte) (MovingScene.WIDTH / 8));
            buffer.put((byte) (MovingScene.HEIGHT / 8));
            if (first) {
                buffer.putShort((short) 0);
                buffer.putShort((short) quantities.length);
                buffer.put(quantities);
            }
            buffer.put(file, from, length);
            pieces.add(new Piece(buffer.array(), from + length == end));
        }
        return pieces;
    }

    static byte[] jpegFile(byte[] grey, int width, int height) {
        var image = new BufferedImage(width, height, BufferedImage.TYPE_3BYTE_BGR);
        for (int i = 0; i < grey.length; i++) {
            image.setRGB(i % width, i / width, (grey[i] & 0xFF) * 0x010101);
        }
        var out = new ByteArrayOutputStream();
        try {
            ImageIO.write(image, "jpeg", out);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
        return out.toByteArray();
    }
}
