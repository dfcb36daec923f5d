package choir.storage;

/** How many bits a second a stream takes, and how that is known. */
public record Rate(Range bits, Basis basis) {
    /** Scenes differ from month to month. */
    private static final Range MEASURED = new Range(0.9, 1, 1.1);
    /** Encoders keep below their cap, and quiet scenes far below it. */
    private static final Range CAPPED = new Range(0.4, 0.75, 1);

    private static final Range ASSUMED = new Range(0.5, 1, 2);

    /** @param bits a second, on average over what was recorded */
    public static Rate measured(long bits) {
        return new Rate(MEASURED.times((double) bits), Basis.MEASURED);
    }

    /** @param bits a second that the encoder is set not to exceed */
    public static Rate capped(long bits) {
        return new Rate(CAPPED.times((double) bits), Basis.CONFIGURED);
    }

    public static Rate assumed(long bits) {
        return new Rate(ASSUMED.times((double) bits), Basis.ASSUMED);
    }

    Rate times(double factor) {
        return new Rate(bits.times(factor), basis);
    }

    /** @param seconds a day */
    Range bytesADay(Range seconds) {
        return seconds.times(bits).times(1 / 8.0);
    }
}
