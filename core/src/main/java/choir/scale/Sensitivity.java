package choir.scale;

import choir.refusal.Refusal;
import java.math.BigDecimal;

/**
 * How small a change of a pixel counts, on the neutral scale 0 to 100: more reacts to smaller changes.
 *
 * @param value at most four decimals, without trailing zeros
 */
public record Sensitivity(BigDecimal value) {
    private static final BigDecimal MOST = BigDecimal.valueOf(100);

    public Sensitivity {
        if (value.signum() < 0
                || value.compareTo(MOST) > 0
                || value.stripTrailingZeros().scale() > 4) {
            throw new Refusal("\"" + value.toPlainString() + "\" is not a sensitivity; expected 0 to 100, or auto");
        }
        value = Decimals.plain(value);
    }

    public static Sensitivity of(double value) {
        return new Sensitivity(BigDecimal.valueOf(value));
    }

    @Override
    public String toString() {
        return value.toPlainString();
    }
}
