package choir.motion;

import choir.motion.MotionEvents.Level;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.BitSet;
import java.util.Comparator;
import java.util.List;

/**
 * What differs in each picture of a footage. It is taken once; every sensitivity, threshold and area is then tried on it
 * without looking at a picture again.
 */
public final class Pass {
    /** By how much a cell's own noise has to be exceeded. */
    private static final double OVER_NOISE = 4;

    /** From the median of absolute values to the standard deviation of normal noise. */
    private static final double SIGMA = 1.4826;

    private static final Duration STILL = Duration.ofMillis(500);
    private static final int CELL_WIDTH = 10;
    private static final int CELL_HEIGHT = 8;
    private static final int NOISE_PICTURES = 240;

    private final int width;
    private final int height;
    private final List<Instant> instants;
    private final List<byte[]> deltas;

    private Pass(int width, int height, List<Instant> instants, List<byte[]> deltas) {
        this.width = width;
        this.height = height;
        this.instants = List.copyOf(instants);
        this.deltas = List.copyOf(deltas);
    }

    /** A pass that is being taken, from one thread. */
    public static final class Taking {
        private final int width;
        private final int height;
        private final long mostBytes;
        private final List<Instant> instants = new ArrayList<>();
        private final List<byte[]> deltas = new ArrayList<>();
        private Reference reference;

        /** @param mostBytes of memory that it may take */
        public Taking(int width, int height, long mostBytes) {
            this.width = width;
            this.height = height;
            this.mostBytes = mostBytes;
            this.reference = new Reference(width, height);
        }

        /** After a gap nothing is compared with what was before it. */
        public void begin() {
            reference = new Reference(width, height);
        }

        /**
         * @return false when there is no room for it, so that it was left out
         * @throws IllegalArgumentException when it is of another size or earlier than the last
         */
        public boolean take(Instant at, Picture picture) {
            if ((instants.size() + 1L) * width * height > mostBytes) {
                return false;
            }
            if (!instants.isEmpty() && !at.isAfter(instants.getLast())) {
                throw new IllegalArgumentException("pictures go back from " + instants.getLast() + " to " + at);
            }
            deltas.add(reference.deltas(picture));
            instants.add(at);
            return true;
        }

        /** What was taken until now; it can be gone on with. */
        public Pass taken() {
            return new Pass(width, height, instants, deltas);
        }
    }

    /**
     * Several passes as one, in the order of their beginning. What overlaps an earlier one is left out. After each comes a
     * still picture, so that no motion goes on from one into the next.
     *
     * @throws IllegalArgumentException when they are of different sizes, or there is none
     */
    public static Pass joined(List<Pass> passes) {
        var first = passes.getFirst();
        List<Instant> instants = new ArrayList<>();
        List<byte[]> deltas = new ArrayList<>();
        byte[] still = new byte[first.width * first.height];
        for (var pass : passes.stream()
                .filter(p -> !p.instants.isEmpty())
                .sorted(Comparator.comparing(p -> p.instants.getFirst()))
                .toList()) {
            if (pass.width != first.width || pass.height != first.height) {
                throw new IllegalArgumentException("passes of different sizes");
            }
            for (int i = 0; i < pass.instants.size(); i++) {
                var at = pass.instants.get(i);
                if (instants.isEmpty() || at.isAfter(instants.getLast())) {
                    instants.add(at);
                    deltas.add(pass.deltas.get(i));
                }
            }
            if (passes.size() > 1) {
                instants.add(instants.getLast().plus(STILL));
                deltas.add(still);
            }
        }
        return new Pass(first.width, first.height, instants, deltas);
    }

    public int width() {
        return width;
    }

    public int height() {
        return height;
    }

    /** When each picture was seen, in their order. */
    public List<Instant> instants() {
        return instants;
    }

    /**
     * How many of the watched pixels count in each picture at each step.
     *
     * @param watched pixels by their number from the top left
     */
    public Curves curves(BitSet watched) {
        return new Curves(
                instants,
                deltas.stream().map(d -> Reference.counted(d, watched)).toList());
    }

    /** The level over time when that is the step. */
    public List<Level> levels(Step step, BitSet watched) {
        return switch (step) {
            case Step.Fixed fixed -> curves(watched).levels(fixed.luminance());
            case Step.Adapted _ -> adapted(watched);
        };
    }

    private List<Level> adapted(BitSet watched) {
        int columns = Math.max(1, width / CELL_WIDTH);
        int rows = Math.max(1, height / CELL_HEIGHT);
        int[] cellOf = new int[width * height];
        for (int i = 0; i < cellOf.length; i++) {
            cellOf[i] = i / width * rows / height * columns + i % width * columns / width;
        }
        int cells = columns * rows;
        int[][] medians = new int[cells][NOISE_PICTURES];
        int all = watched.cardinality();
        List<Level> levels = new ArrayList<>();
        for (int picture = 0; picture < deltas.size(); picture++) {
            byte[] delta = deltas.get(picture);
            int[][] counts = new int[cells][256];
            for (int i = 0; i < delta.length; i++) {
                counts[cellOf[i]][delta[i] & 0xFF]++;
            }
            long counting = 0;
            int[] steps = new int[cells];
            for (int c = 0; c < cells; c++) {
                medians[c][picture % NOISE_PICTURES] = median(counts[c]);
                steps[c] = step(medians[c], Math.min(picture + 1, NOISE_PICTURES));
            }
            for (int i = watched.nextSetBit(0); i >= 0 && i < delta.length; i = watched.nextSetBit(i + 1)) {
                if ((delta[i] & 0xFF) >= steps[cellOf[i]]) {
                    counting++;
                }
            }
            levels.add(new Level(instants.get(picture), all == 0 ? 0 : (double) counting / all));
        }
        return levels;
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

    /** 4 σ, at least 2, where σ = 1.4826 · the median of the quiet half of what was seen in the last minutes. */
    private static int step(int[] medians, int known) {
        int[] quiet = Arrays.copyOf(medians, known);
        Arrays.sort(quiet);
        int half = (known + 1) / 2;
        double sigma = SIGMA * quiet[(half - 1) / 2];
        return (int) Math.max(Sensitivity.SMALLEST_STEP, Math.round(OVER_NOISE * sigma));
    }

    /**
     * How much of each cell of a grid differs in one picture by at least the step, 0 to 255 for none to all of it.
     *
     * @return columns × rows values from the top left
     */
    public byte[] cells(int picture, int step, int columns, int rows) {
        byte[] delta = deltas.get(picture);
        int[] counting = new int[columns * rows];
        int[] pixels = new int[columns * rows];
        for (int y = 0; y < height; y++) {
            for (int x = 0; x < width; x++) {
                int cell = y * rows / height * columns + x * columns / width;
                pixels[cell]++;
                if ((delta[y * width + x] & 0xFF) >= step) {
                    counting[cell]++;
                }
            }
        }
        byte[] shares = new byte[columns * rows];
        for (int c = 0; c < shares.length; c++) {
            shares[c] = (byte) (pixels[c] == 0 ? 0 : counting[c] * 255 / pixels[c]);
        }
        return shares;
    }
}
