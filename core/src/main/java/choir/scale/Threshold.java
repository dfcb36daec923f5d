package choir.scale;

import choir.refusal.Refusal;
import java.math.BigDecimal;

/**
 * The share of the watched picture that must change before it is motion.
 *
 * @param percent above 0, at most 100, at most four decimals
 */
public record Threshold(BigDecimal percent) {
    public Threshold {
        if (percent.signum() <= 0
                || percent.compareTo(BigDecimal.valueOf(100)) > 0
                || percent.stripTrailingZeros().scale() > 4) {
            throw new Refusal(
                    "\"" + percent.toPlainString() + "%\" is not a threshold; expected above 0% and at most 100%");
        }
        percent = Decimals.plain(percent);
    }

    public static Threshold ofPercent(double percent) {
        return new Threshold(BigDecimal.valueOf(percent));
    }

    @Override
    public String toString() {
        return percent.toPlainString() + "%";
    }
}
