package choir.drift;

import choir.policy.Unit;

/**
 * What a distance is counted in, with how much of it is a middling and how much a large distance.
 *
 * @see Mark
 */
public enum Measure {
    /** Native steps of a sensitivity. */
    STEPS("steps", 2, 10),
    /** Native steps of a threshold. */
    THRESHOLD_STEPS("threshold steps", 2, 10),
    /** Cells that must change before it is motion. */
    CELLS("cells", 10, 50),
    /** Cells that are watched. */
    WATCHED_CELLS("watched cells", 10, 50),
    PIXELS("pixels", 200, 2000),
    PERCENT("percent", 2, 10),
    CALENDARS("calendars", 1, 3),
    /** A switch that is on instead of off, or off instead of on. */
    SWITCHES("switches", 2, 10),
    MILLISECONDS("ms", 500, 5000),
    SECONDS("s", 5, 30),
    DAYS("d", 2, 10),
    FRAMES_A_SECOND("fps", 3, 10),
    ANALYSES_A_SECOND("/s", 2, 10);

    private final String word;
    private final int middling;
    private final int large;

    Measure(String word, int middling, int large) {
        this.word = word;
        this.middling = middling;
        this.large = large;
    }

    static Measure of(Unit unit) {
        return switch (unit) {
            case MILLISECONDS -> MILLISECONDS;
            case SECONDS -> SECONDS;
            case DAYS -> DAYS;
            case FRAMES_A_SECOND -> FRAMES_A_SECOND;
            case ANALYSES_A_SECOND -> ANALYSES_A_SECOND;
        };
    }

    public String word() {
        return word;
    }

    int middling() {
        return middling;
    }

    int large() {
        return large;
    }
}
