package choir.footage;

/**
 * How footage is looked at: every picture is brought to that size, whatever its own, so many times a second.
 *
 * @param keyPictures whether the pictures between those that stand alone are left out, which is much faster
 */
public record Look(int width, int height, double perSecond, boolean keyPictures) {
    private static final int MOST = 4_096;
    private static final double MOST_A_SECOND = 30;

    public Look {
        if (width < 8 || height < 8 || width > MOST || height > MOST) {
            throw new IllegalArgumentException("pictures of " + width + " by " + height + " are not looked at");
        }
        if (!(perSecond > 0 && perSecond <= MOST_A_SECOND)) {
            throw new IllegalArgumentException(perSecond + " pictures a second are not looked at");
        }
    }

    public int pixels() {
        return width * height;
    }
}
