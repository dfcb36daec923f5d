package choir.sim;

import java.io.ByteArrayOutputStream;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;

/**
 * A stream of H.264 (ITU-T H.264, 04/2017) of grey pictures by its plainest means: blocks are sent as they are (I_PCM), or
 * are said to be as before (P_Skip). The sides are multiples of 16.
 */
final class PlainH264 {
    /** A block is as before when its pixels differ by less than this in the mean. */
    private static final int SAME = 2;

    private static final int SIDE = 16;
    private static final int BLOCK = SIDE * SIDE;

    private final int width;
    private final int height;
    private final int keyEvery;
    /** What a decoder shows now. */
    private final byte[] shown;

    private int number;
    private int keys;

    /** @param keyEvery after so many pictures comes one that stands alone */
    PlainH264(int width, int height, int keyEvery) {
        this.width = width;
        this.height = height;
        this.keyEvery = keyEvery;
        this.shown = new byte[width * height];
    }

    /** Bits from the highest of each byte on. */
    private static final class Bits {
        private final ByteArrayOutputStream out = new ByteArrayOutputStream();
        private int byteNow;
        private int filled;

        void bits(int value, int count) {
            for (int i = count - 1; i >= 0; i--) {
                byteNow = byteNow << 1 | value >> i & 1;
                if (++filled == 8) {
                    out.write(byteNow);
                    byteNow = 0;
                    filled = 0;
                }
            }
        }

        /** Exponential Golomb, clause 9.1. */
        void ue(int value) {
            int length = 32 - Integer.numberOfLeadingZeros(value + 1);
            bits(0, length - 1);
            bits(value + 1, length);
        }

        void zerosToByte() {
            while (filled > 0) {
                bits(0, 1);
            }
        }

        void raw(byte[] bytes, int from, int count) {
            out.write(bytes, from, count);
        }

        byte[] ended() {
            bits(1, 1);
            zerosToByte();
            return out.toByteArray();
        }
    }

    /** A unit with its header, and bytes that keep it from looking like the start of another (clause 7.4.1). */
    private static byte[] unit(int header, byte[] payload) {
        var out = new ByteArrayOutputStream(payload.length + 16);
        out.write(header);
        int zeros = 0;
        for (byte b : payload) {
            if (zeros == 2 && (b & 0xFF) <= 3) {
                out.write(3);
                zeros = 0;
            }
            out.write(b);
            zeros = b == 0 ? zeros + 1 : 0;
        }
        return out.toByteArray();
    }

    byte[] sequence() {
        var b = new Bits();
        b.bits(100, 8); // High, which has pictures without colour
        b.bits(0, 8);
        b.bits(30, 8);
        b.ue(0);
        b.ue(0); // no colour
        b.ue(0);
        b.ue(0);
        b.bits(0, 2);
        b.ue(0); // frame_num of 4 bits
        b.ue(2); // shown in the order in which they come
        b.ue(1); // one reference
        b.bits(0, 1);
        b.ue(width / SIDE - 1);
        b.ue(height / SIDE - 1);
        b.bits(0b1101, 4); // frames, 8x8 inference, no cropping, usability information:
        b.bits(0b00_1_101_1_0, 8); // all 256 steps of grey are used
        b.bits(0, 6);
        return unit(0x67, b.ended());
    }

    byte[] parameters() {
        var b = new Bits();
        b.ue(0);
        b.ue(0);
        b.bits(0, 2);
        b.ue(0);
        b.ue(0);
        b.ue(0);
        b.bits(0, 3);
        b.ue(0);
        b.ue(0);
        b.ue(0);
        b.bits(0b100, 3); // says whether blocks are smoothed
        return unit(0x68, b.ended());
    }

    /** The units of the next picture. */
    List<byte[]> next(byte[] picture) {
        boolean key = number % keyEvery == 0;
        var b = new Bits();
        b.ue(0);
        b.ue(key ? 7 : 5);
        b.ue(0);
        b.bits(number % keyEvery % 16, 4);
        if (key) {
            b.ue(keys++ % 2);
            b.bits(0, 2);
        } else {
            b.bits(0, 3); // no other count of references, no other order, no marking
        }
        b.ue(0);
        b.ue(1); // blocks are not smoothed
        blocks(b, picture, key);
        List<byte[]> units = new ArrayList<>();
        if (key) {
            units.add(sequence());
            units.add(parameters());
        }
        units.add(unit(key ? 0x65 : 0x61, b.ended()));
        number++;
        return units;
    }

    private void blocks(Bits b, byte[] picture, boolean key) {
        int skipped = 0;
        byte[] block = new byte[BLOCK];
        for (int y = 0; y < height; y += SIDE) {
            for (int x = 0; x < width; x += SIDE) {
                if (!key && isSame(picture, x, y)) {
                    skipped++;
                    continue;
                }
                for (int row = 0; row < SIDE; row++) {
                    System.arraycopy(picture, (y + row) * width + x, block, row * SIDE, SIDE);
                    System.arraycopy(block, row * SIDE, shown, (y + row) * width + x, SIDE);
                }
                if (!key) {
                    b.ue(skipped);
                    skipped = 0;
                }
                b.ue(key ? 25 : 30);
                b.zerosToByte();
                b.raw(block, 0, BLOCK);
            }
        }
        if (skipped > 0) {
            b.ue(skipped);
        }
    }

    private boolean isSame(byte[] picture, int x, int y) {
        int sum = 0;
        for (int row = 0; row < SIDE; row++) {
            int at = (y + row) * width + x;
            for (int i = at; i < at + SIDE; i++) {
                sum += Math.abs((picture[i] & 0xFF) - (shown[i] & 0xFF));
            }
        }
        return sum < SAME * BLOCK;
    }

    /** What a decoder has on its screen after the last picture. */
    byte[] shown() {
        return Arrays.copyOf(shown, shown.length);
    }
}
