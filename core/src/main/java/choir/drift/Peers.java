package choir.drift;

import java.math.BigDecimal;
import java.math.MathContext;
import java.math.RoundingMode;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;

/**
 * Native values that lie away from those of their peers, members of the same group and family: by over 3 × 1.4826 × MAD
 * from the median (the median absolute deviation, scaled to agree with the standard deviation of a normal distribution), and
 * by one step at least.
 */
public final class Peers {
    private static final int FEWEST = 5;
    private static final BigDecimal FACTOR = new BigDecimal("4.4478");

    /**
     * @param median of all members
     * @param members how many there are, itself included
     */
    public record Outlier(BigDecimal value, BigDecimal median, int members) {}

    private Peers() {}

    /** Whether anything can be said of so many. */
    public static boolean areEnough(int members) {
        return members >= FEWEST;
    }

    /** @param values of one setting, by member; of fewer than five nothing can be said */
    public static <T> Map<T, Outlier> outliers(Map<T, BigDecimal> values) {
        Map<T, Outlier> outliers = new LinkedHashMap<>();
        if (!areEnough(values.size())) {
            return outliers;
        }
        var median = median(values.values().stream().toList());
        var spread = median(
                values.values().stream().map(v -> v.subtract(median).abs()).toList());
        var limit = spread.multiply(FACTOR);
        values.forEach((member, value) -> {
            var away = value.subtract(median).abs();
            if (away.compareTo(limit) > 0 && away.compareTo(BigDecimal.ONE) >= 0) {
                outliers.put(member, new Outlier(value, median, values.size()));
            }
        });
        return outliers;
    }

    /** The middle one, or the mean of the two in the middle. */
    static BigDecimal median(List<BigDecimal> values) {
        var sorted = values.stream().sorted().toList();
        int half = sorted.size() / 2;
        return sorted.size() % 2 == 1
                ? sorted.get(half)
                : sorted.get(half - 1)
                        .add(sorted.get(half))
                        .divide(BigDecimal.TWO, new MathContext(34, RoundingMode.HALF_EVEN));
    }
}
