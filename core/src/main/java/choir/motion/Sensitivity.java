package choir.motion;

/**
 * How small a change counts, 0 to 100: a pixel counts when it differs from the reference by at least the step. Equal
 * distances on the scale are equal ratios of contrast.
 */
public record Sensitivity(int value) {
    public static final int MOST = 100;
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
            steps[s] = (int) Math.round(2 * Math.pow(32, (MOST - s) / 100.0));
        }
        return steps;
    }

    /** In steps of luminance, 2 to 64. */
    public int step() {
        return STEPS[value];
    }
}
