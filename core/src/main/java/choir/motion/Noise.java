package choir.motion;

import java.util.Arrays;
import java.util.BitSet;

/**
 * The noise of each cell of a picture, and the step that is over it: 4 σ, at least 2, where σ is 1.4826 times the median of
 * the quiet half of what was seen in the last minutes. Pictures are taken in order, from one thread.
 */
final class Noise {
    /** By how much a cell's own noise has to be exceeded. */
    private static final double OVER_NOISE = 4;

    /** From the median of absolute values to the standard deviation of normal noise. */
    private static final double SIGMA = 1.4826;

    private static final int CELL_WIDTH = 10;
    private static final int CELL_HEIGHT = 8;
    private static final int PICTURES = 240;

    private final int[] cellOf;
    private final int[][] medians;
    private int taken;

    Noise(int width, int height) {
        int columns = Math.max(1, width / CELL_WIDTH);
        int rows = Math.max(1, height / CELL_HEIGHT);
        cellOf = new int[width * height];
        for (int i = 0; i < cellOf.length; i++) {
            cellOf[i] = i / width * rows / height * columns + i % width * columns / width;
        }
        medians = new int[columns * rows][PICTURES];
    }

    /** Takes the next picture and says what the step of each cell is with it. */
    int[] steps(byte[] delta) {
        int[][] counts = new int[medians.length][256];
        for (int i = 0; i < delta.length; i++) {
            counts[cellOf[i]][delta[i] & 0xFF]++;
        }
        int[] steps = new int[medians.length];
        for (int c = 0; c < steps.length; c++) {
            medians[c][taken % PICTURES] = median(counts[c]);
            steps[c] = step(medians[c], Math.min(taken + 1, PICTURES));
        }
        taken++;
        return steps;
    }

    /** The share of the watched pixels that differ by at least their cell's step, 0 to 1; 0 where nothing is watched. */
    double level(byte[] delta, BitSet watched, int[] steps) {
        int all = watched.cardinality();
        long counting = 0;
        for (int i = watched.nextSetBit(0); i >= 0 && i < delta.length; i = watched.nextSetBit(i + 1)) {
            counting += counts(delta, i, steps) ? 1 : 0;
        }
        return all == 0 ? 0 : (double) counting / all;
    }

    /** Whether a pixel differs by at least its cell's step. */
    boolean counts(byte[] delta, int pixel, int[] steps) {
        return (delta[pixel] & 0xFF) >= steps[cellOf[pixel]];
    }

    private static int median(int[] counts) {
        int half = (Arrays.stream(counts).sum() + 1) / 2;
        int seen = 0;
        for (int d = 0; d < counts.length; d++) {
            seen += counts[d];
            if (seen >= half) {
                return d;
            }
        }
        return 0;
    }

    private static int step(int[] medians, int known) {
        int[] quiet = Arrays.copyOf(medians, known);
        Arrays.sort(quiet);
        int half = (known + 1) / 2;
        double sigma = SIGMA * quiet[(half - 1) / 2];
        return (int) Math.max(Sensitivity.SMALLEST_STEP, Math.round(OVER_NOISE * sigma));
    }
}
