package choir.motion;

/**
 * Where in the picture it moves: for each cell of a grid the number of pictures in which a part of it did. Steps are by the
 * noise of each place. Pictures are taken in order, from one thread, and not kept.
 */
public final class MotionMap {
    /** Of a cell's pixels, the part that has to move: a twentieth. */
    private static final int PART = 20;

    private final int width;
    private final int height;
    private final int columns;
    private final int rows;
    private final int[] moved;
    private Reference reference;
    private Noise noise;
    private boolean first = true;
    private int pictures;

    /** @throws IllegalArgumentException when a cell would have no pixel */
    public MotionMap(int width, int height, int columns, int rows) {
        if (columns < 1 || rows < 1 || columns > width || rows > height) {
            throw new IllegalArgumentException(
                    columns + " by " + rows + " cells in a picture of " + width + " by " + height);
        }
        this.width = width;
        this.height = height;
        this.columns = columns;
        this.rows = rows;
        this.moved = new int[columns * rows];
        this.reference = new Reference(width, height);
        this.noise = new Noise(width, height);
    }

    /** After a gap nothing is compared with what was before it. */
    public void begin() {
        reference = new Reference(width, height);
        noise = new Noise(width, height);
        first = true;
    }

    /**
     * The first one differs from nothing, and is not counted.
     *
     * @throws IllegalArgumentException when it is of another size
     */
    public void take(Picture picture) {
        byte[] delta = reference.deltas(picture);
        if (first) {
            first = false;
            return;
        }
        int[] steps = noise.steps(delta);
        int[] counting = new int[moved.length];
        int[] pixels = new int[moved.length];
        for (int i = 0; i < delta.length; i++) {
            int cell = i / width * rows / height * columns + i % width * columns / width;
            pixels[cell]++;
            counting[cell] += noise.counts(delta, i, steps) ? 1 : 0;
        }
        for (int c = 0; c < moved.length; c++) {
            moved[c] += counting[c] * PART >= pixels[c] && counting[c] > 0 ? 1 : 0;
        }
        pictures++;
    }

    public int pictures() {
        return pictures;
    }

    /** Pictures in which it moved there; columns × rows values from the top left. */
    public int[] moved() {
        return moved.clone();
    }
}
