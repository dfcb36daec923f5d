package choir.motion;

import java.util.Arrays;

/**
 * How many of the watched pixels of a picture differ from the reference by how much. From it the level at every sensitivity
 * and every step follows, so that one pass over the pictures is enough to try all settings.
 */
public final class Differences {
    /** Of the pixels, how many differ by at least so much. */
    private final int[] atLeast;

    /** @param counts 256 of them: pixels that differ by exactly so much */
    Differences(int[] counts) {
        atLeast = new int[257];
        for (int d = 255; d >= 0; d--) {
            atLeast[d] = atLeast[d + 1] + counts[d];
        }
    }

    /**
     * Of what one picture differs.
     *
     * @param delta the absolute difference of each pixel
     * @param watched pixels by their number
     */
    public static Differences of(byte[] delta, java.util.BitSet watched) {
        return Reference.counted(delta, watched);
    }

    /** How many pixels are watched. */
    public int watched() {
        return atLeast[0];
    }

    /** @param step of luminance, 0 to 256 */
    public int counting(int step) {
        return atLeast[step];
    }

    public int counting(Sensitivity sensitivity) {
        return counting(sensitivity.step());
    }

    /** The share of the watched pixels that count, 0 to 1; 0 where nothing is watched. */
    public double level(Sensitivity sensitivity) {
        return watched() == 0 ? 0 : (double) counting(sensitivity) / watched();
    }

    @Override
    public boolean equals(@org.jspecify.annotations.Nullable Object other) {
        return other instanceof Differences d && Arrays.equals(atLeast, d.atLeast);
    }

    @Override
    public int hashCode() {
        return Arrays.hashCode(atLeast);
    }
}
