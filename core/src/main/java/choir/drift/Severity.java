package choir.drift;

public enum Severity {
    LOW,
    MEDIUM,
    HIGH
}
