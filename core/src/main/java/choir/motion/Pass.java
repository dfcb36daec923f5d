package choir.motion;

import choir.motion.MotionEvents.Level;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.BitSet;
import java.util.Comparator;
import java.util.List;

/**
 * What differs in each picture of a footage. It is taken once; every sensitivity, threshold and area is then tried on it
 * without looking at a picture again.
 */
public final class Pass {
    private static final Duration STILL = Duration.ofMillis(500);

    private final int width;
    private final int height;
    private final List<Instant> instants;
    private final List<byte[]> deltas;
    private final List<Oddity> oddities;

    private Pass(int width, int height, List<Instant> instants, List<byte[]> deltas, List<Oddity> oddities) {
        this.width = width;
        this.height = height;
        this.instants = List.copyOf(instants);
        this.deltas = List.copyOf(deltas);
        this.oddities = List.copyOf(oddities);
    }

    /** A pass that is being taken, from one thread. */
    public static final class Taking {
        private final int width;
        private final int height;
        private final long mostBytes;
        private final List<Instant> instants = new ArrayList<>();
        private final List<byte[]> deltas = new ArrayList<>();
        private final Oddity.Watch watch = new Oddity.Watch();
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
            byte[] delta = reference.deltas(picture);
            watch.take(at, picture.luminance(), delta);
            deltas.add(delta);
            instants.add(at);
            return true;
        }

        /** What was taken until now; it can be gone on with. */
        public Pass taken() {
            return new Pass(width, height, instants, deltas, watch.found());
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
        return new Pass(
                first.width,
                first.height,
                instants,
                deltas,
                passes.stream().flatMap(p -> p.oddities.stream()).toList());
    }

    public int width() {
        return width;
    }

    public int height() {
        return height;
    }

    /** What a trial on it cannot see past. */
    public List<Oddity> oddities() {
        return oddities;
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
        var noise = new Noise(width, height);
        List<Level> levels = new ArrayList<>();
        for (int picture = 0; picture < deltas.size(); picture++) {
            byte[] delta = deltas.get(picture);
            levels.add(new Level(instants.get(picture), noise.level(delta, watched, noise.steps(delta))));
        }
        return levels;
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
