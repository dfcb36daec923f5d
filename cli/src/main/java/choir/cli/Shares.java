package choir.cli;

import java.math.BigDecimal;
import java.math.MathContext;

/** Shares and factors as people read them. */
final class Shares {
    private Shares() {}

    static String percent(double percent) {
        return new BigDecimal(percent)
                        .round(new MathContext(3))
                        .stripTrailingZeros()
                        .toPlainString() + " %";
    }

    /** A factor with one digit after the point, under ten with two. */
    static String factor(double factor) {
        return factor > 99 ? "over 99" : String.format(java.util.Locale.ROOT, factor < 10 ? "%.2f" : "%.1f", factor);
    }
}
