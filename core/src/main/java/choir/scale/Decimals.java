package choir.scale;

import java.math.BigDecimal;
import java.math.RoundingMode;

/** Exact decimal arithmetic shared by the scales. */
public final class Decimals {
    private Decimals() {}

    /** The same number without trailing zeros and without an exponent, so that equal numbers are equal values. */
    public static BigDecimal plain(BigDecimal number) {
        var stripped = number.stripTrailingZeros();
        return stripped.scale() < 0 ? stripped.setScale(0) : stripped;
    }

    /** The number with the fewest digits near {@code middle} for which the condition holds. */
    static BigDecimal shortest(BigDecimal middle, java.util.function.Predicate<BigDecimal> mapsBack) {
        for (int digits = 0; digits <= 4; digits++) {
            var candidate = middle.setScale(digits, RoundingMode.HALF_UP);
            if (mapsBack.test(candidate)) {
                return plain(candidate);
            }
        }
        return plain(middle.setScale(4, RoundingMode.HALF_UP));
    }
}
