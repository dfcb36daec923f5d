package choir.motion;

/**
 * A picture on which there is nothing to see, such as of a channel without a camera, a covered lens, or no light at all: nine
 * tenths of its pixels are alike. What a recorder writes into such a picture is little beside that.
 */
public final class Featureless {
    private static final double SHARE = 0.9;
    /** Steps of luminance; grain and the traces of compression are less. */
    private static final int ALIKE = 8;

    private Featureless() {}

    public static boolean is(Picture picture) {
        int[] counts = new int[256];
        for (byte value : picture.luminance()) {
            counts[value & 0xFF]++;
        }
        long within = 0;
        long most = 0;
        for (int value = 0; value < 256; value++) {
            within += counts[value];
            if (value > 2 * ALIKE) {
                within -= counts[value - 2 * ALIKE - 1];
            }
            most = Math.max(most, within);
        }
        return most >= SHARE * picture.pixels();
    }
}
