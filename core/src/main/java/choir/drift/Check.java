package choir.drift;

/** What makes a configuration defeat itself, whoever asks for it. */
public enum Check {
    RECORDS_NOTHING("records nothing", Severity.HIGH),
    MOTION_WITHOUT_DETECTION("waits for motion with detection off", Severity.HIGH),
    NOT_SWITCHED_ON("a schedule that is not switched on", Severity.HIGH),
    IGNORES_EVERYTHING("ignores everything", Severity.HIGH),
    NO_STORE("no store", Severity.HIGH),
    SHORTER_THAN_ASKED("shorter than asked", Severity.MEDIUM),
    KEEPING_CONTRADICTS("keeps longer than it may", Severity.MEDIUM),
    DETECTION_UNUSED("detection that nothing uses", Severity.LOW),
    BLIND_HOURS("hours without recording", Severity.LOW),
    INCOMPLETE_WEEK("a week with gaps", Severity.LOW);

    private final String words;
    private final Severity severity;

    Check(String words, Severity severity) {
        this.words = words;
        this.severity = severity;
    }

    public String words() {
        return words;
    }

    public Severity severity() {
        return severity;
    }
}
