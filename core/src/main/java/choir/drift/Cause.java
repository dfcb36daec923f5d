package choir.drift;

/** Why a setting of a camera is as it is, compared with what it ought to be. */
public enum Cause {
    IN_TUNE("in tune"),
    CANNOT_HONOUR("the recorder cannot honour it"),
    UNKNOWN("not read"),
    DID_NOT_TAKE("did not take"),
    NEVER_TUNED("never tuned"),
    NEVER_GIVEN_OUT("never given out"),
    CHANGED_AT_RECORDER("changed at the recorder"),
    WAITING("waiting to be given out"),
    CHANGED_ON_BOTH_SIDES("changed on both sides");

    private final String words;

    Cause(String words) {
        this.words = words;
    }

    public String words() {
        return words;
    }

    /** True for what an audit reports as out of tune. */
    public boolean isDeviation() {
        return this != IN_TUNE && this != CANNOT_HONOUR && this != UNKNOWN;
    }

    /** True when the recorder only waits for what was said here; nobody changed anything there. */
    public boolean isWaiting() {
        return this == WAITING || this == NEVER_GIVEN_OUT || this == NEVER_TUNED;
    }

    /** True when the recorder holds something else than it was given. */
    public boolean isDrift() {
        return isDeviation() && !isWaiting();
    }
}
