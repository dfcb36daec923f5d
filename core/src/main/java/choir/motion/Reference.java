package choir.motion;

import java.util.BitSet;
import java.util.List;

/**
 * What pictures are compared with: the exponential mean of those before, with weight 1/8, in 256ths of a step of luminance.
 * It begins as the first picture, which differs from it in nothing. Pictures are taken in order, from one thread.
 */
public final class Reference {
    private final int width;
    private final int height;
    private final long[] even;
    private final long[] odd;
    private final long[] different;
    private boolean begun;

    public Reference(int width, int height) {
        this.width = width;
        this.height = height;
        this.even = new long[SideBySide.longs(width * height)];
        this.odd = new long[even.length];
        this.different = new long[even.length];
    }

    /**
     * Takes the next picture.
     *
     * @param areas the watched pixels of each area, by their number from the top left
     * @return for each area what differs in it
     * @throws IllegalArgumentException when the picture is of another size, which is another footage
     */
    public List<Differences> next(Picture picture, List<BitSet> areas) {
        byte[] delta = deltas(picture);
        return areas.stream().map(area -> counted(delta, area)).toList();
    }

    /**
     * Takes the next picture.
     *
     * @return the absolute difference of each pixel, 0 to 255, before the picture has become part of the reference
     * @throws IllegalArgumentException when the picture is of another size, which is another footage
     */
    public byte[] deltas(Picture picture) {
        if (picture.width() != width || picture.height() != height) {
            throw new IllegalArgumentException("a picture of " + picture.width() + " by " + picture.height()
                    + " pixels after ones of " + width + " by " + height);
        }
        if (!begun) {
            begun = true;
            SideBySide.begin(picture.luminance(), even, odd);
            return new byte[width * height];
        }
        return SideBySide.deltas(picture.luminance(), even, odd, different);
    }

    static Differences counted(byte[] delta, BitSet watched) {
        int[] counts = new int[256];
        for (int from = watched.nextSetBit(0); from >= 0 && from < delta.length; ) {
            int to = Math.min(watched.nextClearBit(from), delta.length);
            for (int i = from; i < to; i++) {
                counts[delta[i] & 0xFF]++;
            }
            from = watched.nextSetBit(to);
        }
        return new Differences(counts);
    }
}
