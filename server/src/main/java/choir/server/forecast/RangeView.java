package choir.server.forecast;

import choir.storage.Range;
import java.util.Optional;
import org.jspecify.annotations.Nullable;

/**
 * A figure with its range, to three digits; missing parts are without end, since nothing is recorded.
 *
 * @param low it is hardly less
 * @param high it is hardly more
 */
public record RangeView(
        @Nullable Double low,
        @Nullable Double likely,
        @Nullable Double high) {
    static RangeView of(Range range) {
        return new RangeView(digits(range.low()), digits(range.likely()), digits(range.high()));
    }

    public static @Nullable RangeView of(Optional<Range> range) {
        return range.map(RangeView::of).orElse(null);
    }

    private static @Nullable Double digits(double value) {
        if (Double.isInfinite(value)) {
            return null;
        }
        double scale = value <= 0 ? 1 : Math.pow(10, 2 - Math.floor(Math.log10(value)));
        return scale > 1 ? Math.round(value * scale) / scale : Math.rint(value * scale) / scale;
    }
}
