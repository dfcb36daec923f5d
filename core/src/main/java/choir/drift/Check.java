package choir.drift;

/** What makes a configuration defeat itself, whoever asks for it. */
public enum Check {
    RECORDS_NOTHING("records nothing", Severity.HIGH, Distance.Direction.LOSS),
    MOTION_WITHOUT_DETECTION("waits for motion with detection off", Severity.HIGH, Distance.Direction.LOSS),
    NOT_SWITCHED_ON("a schedule that is not switched on", Severity.HIGH, Distance.Direction.LOSS),
    IGNORES_EVERYTHING("ignores everything", Severity.HIGH, Distance.Direction.LOSS),
    NO_STORE("no store", Severity.HIGH, Distance.Direction.LOSS),
    SHORTER_THAN_ASKED("shorter than asked", Severity.MEDIUM, Distance.Direction.LOSS),
    KEEPING_CONTRADICTS("keeps longer than it may", Severity.MEDIUM, Distance.Direction.NONE),
    DETECTION_UNUSED("detection that nothing uses", Severity.LOW, Distance.Direction.WASTE),
    BLIND_HOURS("hours without recording", Severity.LOW, Distance.Direction.LOSS),
    INCOMPLETE_WEEK("a week with gaps", Severity.LOW, Distance.Direction.NONE);

    private final String words;
    private final Severity severity;
    private final Distance.Direction costs;

    Check(String words, Severity severity, Distance.Direction costs) {
        this.words = words;
        this.severity = severity;
        this.costs = costs;
    }

    public String words() {
        return words;
    }

    public Severity severity() {
        return severity;
    }

    /** To which side footage is likely to go wrong. */
    public Distance.Direction costs() {
        return costs;
    }
}
