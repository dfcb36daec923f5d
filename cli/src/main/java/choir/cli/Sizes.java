package choir.cli;

import java.util.Locale;
import tools.jackson.databind.JsonNode;

/** Bytes for people. */
final class Sizes {
    /** As disks are sold. */
    private enum Unit {
        kB(1e3),
        MB(1e6),
        GB(1e9),
        TB(1e12);

        private final double bytes;

        Unit(double bytes) {
            this.bytes = bytes;
        }

        /** In which the number has at most three digits before its point. */
        static Unit of(double bytes) {
            return bytes > 0 && bytes < 100 * kB.bytes
                    ? kB
                    : bytes < 999.5 * MB.bytes ? MB : bytes < 999.5 * GB.bytes ? GB : TB;
        }
    }

    private Sizes() {}

    /** With at most three digits. */
    static String words(double bytes) {
        var unit = Unit.of(bytes);
        return number(bytes, unit) + " " + unit;
    }

    /** What is likely, with the range behind it if there is one. */
    static String words(JsonNode range) {
        double likely = range.path("likely").asDouble();
        double low = range.path("low").asDouble();
        double high = range.path("high").asDouble();
        var unit = Unit.of(likely);
        return number(likely, unit) + (low == high ? "" : " (" + number(low, unit) + " to " + number(high, unit) + ")")
                + " " + unit;
    }

    private static String number(double bytes, Unit unit) {
        double value = bytes / unit.bytes;
        int digits = value >= 99.95 ? 0 : value >= 9.995 ? 1 : 2;
        var text = String.format(Locale.ROOT, "%,." + digits + "f", value);
        return text.contains(".") ? text.replaceAll("\\.?0+$", "") : text;
    }
}
