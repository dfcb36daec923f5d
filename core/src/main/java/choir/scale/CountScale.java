package choir.scale;

import choir.refusal.Refusal;
import java.math.BigDecimal;
import java.math.MathContext;

/**
 * A threshold counted in parts of the watched picture (cells, or pixels at the analysis size): a larger count reacts
 * later. A count of zero would trigger always and is never written.
 *
 * @param min at least 1
 */
public record CountScale(int min, int max) {
    public CountScale {
        if (min < 1 || max <= min) {
            throw new Refusal("a count from " + min + " to " + max + " is no threshold scale");
        }
    }

    /** The nearest count of {@code watched} parts; half-way the smaller one, which reacts sooner. */
    public int toNative(Threshold neutral, int watched) {
        var exact = neutral.percent().multiply(BigDecimal.valueOf(Math.max(1, watched)));
        int nearest = exact.divide(BigDecimal.valueOf(100))
                .setScale(0, java.math.RoundingMode.HALF_DOWN)
                .intValue();
        return Math.clamp(nearest, min, max);
    }

    /** The middle of the thresholds that come out as this count, with the fewest digits that map back. */
    public Threshold toNeutral(int count, int watched) {
        int parts = Math.max(1, watched);
        var low = BigDecimal.valueOf(Math.max(0, 2L * count - 1));
        var high = BigDecimal.valueOf(Math.min(2L * parts, 2L * count + 1));
        var middle = low.max(BigDecimal.ONE)
                .add(high.max(low))
                .multiply(BigDecimal.valueOf(25))
                .divide(BigDecimal.valueOf(parts), MathContext.DECIMAL64)
                .min(BigDecimal.valueOf(100));
        return new Threshold(Decimals.shortest(
                middle,
                p -> p.signum() > 0
                        && p.compareTo(BigDecimal.valueOf(100)) <= 0
                        && toNative(new Threshold(p), parts) == count));
    }
}
