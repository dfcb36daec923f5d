package choir.policy;

/** What an amount is counted in. */
public enum Unit {
    MILLISECONDS("ms"),
    SECONDS("s"),
    DAYS("d"),
    FRAMES_A_SECOND("fps"),
    ANALYSES_A_SECOND("/s");

    private final String symbol;

    Unit(String symbol) {
        this.symbol = symbol;
    }

    /** As it stands behind a number in a policy file. */
    public String symbol() {
        return symbol;
    }

    @Override
    public String toString() {
        return symbol;
    }
}
