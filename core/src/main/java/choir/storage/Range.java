package choir.storage;

import java.util.Collection;

/**
 * A figure that is not known exactly. Ranges that are added or multiplied go together: what is high in one is taken to be
 * high in the other, so that a sum is rather too wide than too narrow.
 *
 * @param low it is hardly less
 * @param likely what to reckon with
 * @param high it is hardly more
 */
public record Range(double low, double likely, double high) {
    public static final Range NOTHING = exactly(0);

    public Range {
        if (!(0 <= low && low <= likely && likely <= high)) {
            throw new IllegalArgumentException(low + ", " + likely + " and " + high + " are no range");
        }
    }

    public static Range exactly(double value) {
        return new Range(value, value, value);
    }

    public static Range sum(Collection<Range> parts) {
        return parts.stream().reduce(NOTHING, Range::plus);
    }

    public Range plus(Range other) {
        return new Range(low + other.low, likely + other.likely, high + other.high);
    }

    public Range times(double factor) {
        return new Range(low * factor, likely * factor, high * factor);
    }

    public Range times(Range other) {
        return new Range(low * other.low, likely * other.likely, high * other.high);
    }

    /** The least of this by the most of the other, and so on; infinite where the other may be nothing. */
    public Range over(Range other) {
        return new Range(ratio(low, other.high), ratio(likely, other.likely), ratio(high, other.low));
    }

    private static double ratio(double a, double b) {
        return b > 0 ? a / b : Double.POSITIVE_INFINITY;
    }

    /** Nothing in it is more than that. */
    public Range atMost(double most) {
        return new Range(Math.min(low, most), Math.min(likely, most), Math.min(high, most));
    }
}
