package choir.motion;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayDeque;
import java.util.BitSet;
import java.util.Deque;
import java.util.Optional;

/**
 * When something moved in a part of the picture: pictures are looked at once, in order, from one thread, and none is kept but
 * the one in which the most moved. Steps are by the noise of each cell, so that swell and grain that never cease are not told.
 * A pixel counts when it differs from the reference and from the picture before, so that what has left, of which the reference
 * still knows, is not seen where it was. What moves all the time, as rain does, is not told either: to be seen, as much of the
 * area has to move as was asked for, and over that twice what usually does.
 */
public final class AreaWatch {
    /** What is no further apart is one. */
    public static final Duration APART = Duration.ofSeconds(5);

    private static final int USUAL = 240;
    private static final int OVER_USUAL = 2;

    /**
     * @param until the last picture in which it moved more than usual
     * @param strongest the one in which the most moved
     * @param share of the area that moved in that, 0 to 1
     */
    public record Seen(Instant from, Instant until, Instant strongest, double share, Picture picture) {}

    private final int width;
    private final int height;
    private final BitSet area;
    private final double least;
    private Reference reference;
    private Noise noise;
    private Optional<Picture> before = Optional.empty();
    /** The shares of the last pictures, the oldest first. */
    private final Deque<Double> lately = new ArrayDeque<>();

    private Optional<Seen> going = Optional.empty();

    /**
     * @param area pixels by their number from the top left
     * @param least the share of them that has to move, over 0 to 1
     * @throws IllegalArgumentException when there is no such pixel or share
     */
    public AreaWatch(int width, int height, BitSet area, double least) {
        if (area.isEmpty() || area.length() > width * height) {
            throw new IllegalArgumentException("no area of a picture of " + width + " by " + height);
        }
        if (!(least > 0 && least <= 1)) {
            throw new IllegalArgumentException(least + " of an area is no share");
        }
        this.width = width;
        this.height = height;
        this.area = (BitSet) area.clone();
        this.least = least;
        this.reference = new Reference(width, height);
        this.noise = new Noise(width, height);
    }

    /**
     * @return what has come to an end with this picture, which may be long after it began
     * @throws IllegalArgumentException when it is of another size
     */
    public Optional<Seen> take(Instant at, Picture picture) {
        double share = share(picture);
        var ended = going.filter(g -> at.isAfter(g.until().plus(APART)));
        if (ended.isPresent()) {
            going = Optional.empty();
        }
        double enough = least + OVER_USUAL * usual(share);
        if (share >= enough) {
            going = Optional.of(going.filter(g -> g.share() >= share)
                    .map(g -> new Seen(g.from(), at, g.strongest(), g.share(), g.picture()))
                    .orElseGet(() -> new Seen(going.map(Seen::from).orElse(at), at, at, share, picture)));
        }
        return ended;
    }

    /** What a quarter of the last shares are under, with this one: of rain nearly all are alike, of people who pass few are. */
    private double usual(double share) {
        if (lately.size() == USUAL) {
            lately.removeFirst();
        }
        lately.addLast(share);
        double[] sorted =
                lately.stream().mapToDouble(Double::doubleValue).sorted().toArray();
        return sorted[(sorted.length - 1) / 4];
    }

    private double share(Picture picture) {
        byte[] delta = reference.deltas(picture);
        var last = before;
        before = Optional.of(picture);
        if (last.isEmpty()) {
            // It differs from nothing, which is no measure of its noise.
            return 0;
        }
        int[] steps = noise.steps(delta);
        byte[] now = picture.luminance();
        byte[] then = last.get().luminance();
        for (int i = 0; i < delta.length; i++) {
            int apart = Math.abs((now[i] & 0xFF) - (then[i] & 0xFF));
            delta[i] = (byte) Math.min(delta[i] & 0xFF, apart);
        }
        return noise.level(delta, area, steps);
    }

    /** After a gap nothing is compared with what was before it. What was going on has ended. */
    public Optional<Seen> end() {
        var ended = going;
        going = Optional.empty();
        reference = new Reference(width, height);
        noise = new Noise(width, height);
        before = Optional.empty();
        lately.clear();
        return ended;
    }
}
