package choir.policy;

import java.math.BigDecimal;
import java.util.Optional;

/** What an amount is counted in. */
public enum Unit {
    MILLISECONDS("ms", "s, min"),
    SECONDS("s", "ms, min, h"),
    DAYS("d", "w"),
    FRAMES_A_SECOND("fps", ""),
    ANALYSES_A_SECOND("/s", "");

    private final String symbol;
    private final String others;

    /** @param others units that people write as well */
    Unit(String symbol, String others) {
        this.symbol = symbol;
        this.others = others;
    }

    /** As it stands behind a number in a policy file. */
    public String symbol() {
        return symbol;
    }

    /** How many of this one is another that people write; empty when it is none of its kind. */
    Optional<BigDecimal> of(String other) {
        if (other.equals(symbol)) {
            return Optional.of(BigDecimal.ONE);
        }
        var factor = switch (this) {
            case MILLISECONDS ->
                switch (other) {
                    case "s" -> "1000";
                    case "min" -> "60000";
                    default -> "";
                };
            case SECONDS ->
                switch (other) {
                    case "ms" -> "0.001";
                    case "min" -> "60";
                    case "h" -> "3600";
                    default -> "";
                };
            case DAYS -> other.equals("w") ? "7" : "";
            case FRAMES_A_SECOND, ANALYSES_A_SECOND -> "";
        };
        return factor.isEmpty() ? Optional.empty() : Optional.of(new BigDecimal(factor));
    }

    /** Whether a bare number could be meant in more than one way. */
    boolean isOneOfSeveral() {
        return !others.isEmpty();
    }

    /** All that may be written. */
    String words() {
        return others.isEmpty() ? symbol : symbol + ", " + others;
    }

    @Override
    public String toString() {
        return symbol;
    }
}
