package choir.motion;

import java.lang.invoke.MethodHandles;
import java.lang.invoke.VarHandle;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.util.Arrays;

/**
 * Arithmetic on eight pixels at once: each long holds four of them in lanes of 16 bits, those with even numbers apart from
 * those with odd ones, so that no lane ever carries into the next. Loops are short and over whole longs, which the compiler
 * turns into vector instructions; the bits are those of the plain formulas, which the tests hold it against.
 */
final class SideBySide {
    private static final VarHandle LONGS = MethodHandles.byteArrayViewVarHandle(long[].class, ByteOrder.LITTLE_ENDIAN);
    private static final long ONE = 0x0001_0001_0001_0001L;
    private static final long BYTE = 0xFF * ONE;
    private static final long TOP = 0x8000_8000_8000_8000L;
    private static final long FULL = 256 * ONE;
    private static final long HALF = 128 * ONE;
    private static final long SEVEN = 7 * ONE;
    private static final long EIGHTH = 0x1FFF * ONE;
    /** Longs that are worked on while they are near; also so few that a lane cannot count too far. */
    private static final int BLOCK = 8_192;

    private SideBySide() {}

    /** How many longs hold so many pixels. */
    static int longs(int pixels) {
        return (pixels + Long.BYTES - 1) / Long.BYTES;
    }

    /** Takes a picture as the mean, in 256ths of a step of luminance. */
    static void begin(byte[] luminance, long[] even, long[] odd) {
        byte[] whole = padded(luminance);
        for (int i = 0; i < even.length; i++) {
            long p = (long) LONGS.get(whole, i * Long.BYTES);
            even[i] = (p & BYTE) << 8;
            odd[i] = (p >>> 8 & BYTE) << 8;
        }
    }

    /**
     * For each pixel the absolute difference from the mean, rounded; then the picture becomes part of the mean with weight
     * 1/8, as m + ⌊(256 p − m) / 8⌋.
     *
     * @param out written over; of their length
     */
    static byte[] deltas(byte[] luminance, long[] even, long[] odd, long[] out) {
        byte[] whole = padded(luminance);
        for (int from = 0; from < even.length; from += BLOCK) {
            int to = Math.min(even.length, from + BLOCK);
            differEven(whole, out, even, from, to);
            differOdd(whole, out, odd, from, to);
            followEven(whole, even, from, to);
            followOdd(whole, odd, from, to);
        }
        byte[] delta = new byte[whole.length];
        ByteBuffer.wrap(delta).order(ByteOrder.LITTLE_ENDIAN).asLongBuffer().put(out);
        return delta.length == luminance.length ? delta : Arrays.copyOf(delta, luminance.length);
    }

    /** With a last long that is whole. */
    private static byte[] padded(byte[] luminance) {
        int whole = longs(luminance.length) * Long.BYTES;
        return whole == luminance.length ? luminance : Arrays.copyOf(luminance, whole);
    }

    private static void differEven(byte[] picture, long[] out, long[] mean, int from, int to) {
        for (int i = from; i < to; i++) {
            long over = ((long) LONGS.get(picture, i * Long.BYTES) & BYTE) + FULL - (mean[i] + HALF >>> 8 & BYTE);
            long positive = over >>> 8 & ONE;
            out[i] = (over ^ BYTE ^ (positive << 8) - positive) + (ONE - positive) & BYTE;
        }
    }

    private static void differOdd(byte[] picture, long[] out, long[] mean, int from, int to) {
        for (int i = from; i < to; i++) {
            long over = ((long) LONGS.get(picture, i * Long.BYTES) >>> 8 & BYTE) + FULL - (mean[i] + HALF >>> 8 & BYTE);
            long positive = over >>> 8 & ONE;
            out[i] |= ((over ^ BYTE ^ (positive << 8) - positive) + (ONE - positive) & BYTE) << 8;
        }
    }

    private static void followEven(byte[] picture, long[] mean, int from, int to) {
        for (int i = from; i < to; i++) {
            long m = mean[i];
            mean[i] = m - (m + SEVEN >>> 3 & EIGHTH) + (((long) LONGS.get(picture, i * Long.BYTES) & BYTE) << 5);
        }
    }

    private static void followOdd(byte[] picture, long[] mean, int from, int to) {
        for (int i = from; i < to; i++) {
            long m = mean[i];
            mean[i] = m - (m + SEVEN >>> 3 & EIGHTH) + (((long) LONGS.get(picture, i * Long.BYTES) >>> 8 & BYTE) << 5);
        }
    }

    /**
     * How many pixels of two pictures differ by at least the step.
     *
     * @param step 1 to 255
     */
    static int apart(byte[] one, byte[] other, int step) {
        int whole = Math.min(one.length, other.length) / Long.BYTES;
        long total = 0;
        for (int from = 0; from < whole; from += BLOCK) {
            total += sum(apart(one, other, step, from, Math.min(whole, from + BLOCK)));
        }
        for (int i = whole * Long.BYTES; i < one.length; i++) {
            total += Math.abs((one[i] & 0xFF) - (other[i] & 0xFF)) >= step ? 1 : 0;
        }
        return (int) total;
    }

    private static long apart(byte[] one, byte[] other, int step, int from, int to) {
        long up = (0x8000L - 256 - step) * ONE;
        long down = (0x8000L + 256 - step) * ONE;
        long lanes = 0;
        for (int i = from; i < to; i++) {
            long p = (long) LONGS.get(one, i * Long.BYTES);
            long q = (long) LONGS.get(other, i * Long.BYTES);
            long even = (p & BYTE) + FULL - (q & BYTE);
            long odd = (p >>> 8 & BYTE) + FULL - (q >>> 8 & BYTE);
            // In one sum; two of them are not made into vectors.
            lanes += (((even + up | down - even) & TOP) >>> 15) + (((odd + up | down - odd) & TOP) >>> 15);
        }
        return lanes;
    }

    /** How many differences are at least the step, 1 to 255. */
    static int atLeast(byte[] deltas, int step) {
        int whole = deltas.length / Long.BYTES;
        long total = 0;
        for (int from = 0; from < whole; from += BLOCK) {
            total += sum(atLeast(deltas, step, from, Math.min(whole, from + BLOCK)));
        }
        for (int i = whole * Long.BYTES; i < deltas.length; i++) {
            total += (deltas[i] & 0xFF) >= step ? 1 : 0;
        }
        return (int) total;
    }

    private static long atLeast(byte[] deltas, int step, int from, int to) {
        long up = (0x8000L - step) * ONE;
        long lanes = 0;
        for (int i = from; i < to; i++) {
            long d = (long) LONGS.get(deltas, i * Long.BYTES);
            lanes += (((d & BYTE) + up & TOP) >>> 15) + (((d >>> 8 & BYTE) + up & TOP) >>> 15);
        }
        return lanes;
    }

    private static long sum(long lanes) {
        return (lanes & 0xFFFF) + (lanes >>> 16 & 0xFFFF) + (lanes >>> 32 & 0xFFFF) + (lanes >>> 48);
    }
}
