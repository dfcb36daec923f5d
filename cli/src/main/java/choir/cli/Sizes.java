package choir.cli;

import java.util.Locale;
import tools.jackson.databind.JsonNode;

/** Bytes for people. */
final class Sizes {
    private static final double TERA = 1e12;
    private static final double GIGA = 1e9;

    private Sizes() {}

    /** With at most three digits. */
    static String words(double bytes) {
        return number(bytes, isLarge(bytes)) + unit(isLarge(bytes));
    }

    /** What is likely, with the range behind it if there is one. */
    static String words(JsonNode range) {
        double likely = range.path("likely").asDouble();
        double low = range.path("low").asDouble();
        double high = range.path("high").asDouble();
        boolean large = isLarge(likely);
        return number(likely, large)
                + (low == high ? "" : " (" + number(low, large) + " to " + number(high, large) + ")")
                + unit(large);
    }

    private static boolean isLarge(double bytes) {
        return bytes >= 999.5 * GIGA;
    }

    private static String unit(boolean large) {
        return large ? " TB" : " GB";
    }

    private static String number(double bytes, boolean large) {
        double value = bytes / (large ? TERA : GIGA);
        int digits = value >= 99.95 ? 0 : value >= 9.995 ? 1 : 2;
        var text = String.format(Locale.ROOT, "%,." + digits + "f", value);
        return text.contains(".") ? text.replaceAll("\\.?0+$", "") : text;
    }
}
