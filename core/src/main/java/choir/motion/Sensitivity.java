package choir.motion;

/**
 * How small a change counts, 0 to 100: a pixel counts when it differs from the reference by at least the step. Equal
 * distances on the scale are equal ratios of contrast.
 */
public record Sensitivity(int value) {
    public static final int MOST = 100;
    /** Of a pixel at the least sensitive end. */
    public static final int LARGEST_STEP = 64;

    /** At the most sensitive end. */
    public static final int SMALLEST_STEP = 2;

    private static final int[] STEPS = steps();

    /** @throws IllegalArgumentException when it is not 0 to 100 */
    public Sensitivity {
        if (value < 0 || value > MOST) {
            throw new IllegalArgumentException("a sensitivity is 0 to 100, not " + value);
        }
    }

    /** 2 · 32^((100 − s) / 100), rounded: 2 at 100, 11 at 50, 64 at 0. */
    private static int[] steps() {
        int[] steps = new int[MOST + 1];
        for (int s = 0; s <= MOST; s++) {
            steps[s] = step(s);
        }
        return steps;
    }

    /**
     * The step of any place of the scale, 2 to 64.
     *
     * @param value 0 to 100
     */
    public static int step(double value) {
        return (int) Math.round(2 * Math.pow(32, (MOST - Math.clamp(value, 0, MOST)) / (double) MOST));
    }

    /** In steps of luminance, 2 to 64. */
    public int step() {
        return STEPS[value];
    }
}
