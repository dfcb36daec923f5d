package choir.motion;

/**
 * A picture of luminance, 8 bits a pixel, row by row from the top left.
 *
 * @param luminance width × height values; read as 0 to 255, and not to be changed afterwards
 */
@SuppressWarnings("ArrayRecordComponent")
public record Picture(int width, int height, byte[] luminance) {
    private static final int MOST_PIXELS = 1 << 26;

    /** @throws IllegalArgumentException when the number of values is not that of the pixels */
    public Picture {
        if (width < 1 || height < 1 || (long) width * height > MOST_PIXELS) {
            throw new IllegalArgumentException("a picture of " + width + " by " + height + " pixels is none");
        }
        if (luminance.length != width * height) {
            throw new IllegalArgumentException(luminance.length + " values for " + width + " by " + height + " pixels");
        }
    }

    public int pixels() {
        return width * height;
    }

    /**
     * How many pixels differ from another picture of the same size by at least so much.
     *
     * @param step of luminance, 1 to 255
     */
    public int apart(Picture other, int step) {
        return SideBySide.apart(luminance, other.luminance, step);
    }
}
