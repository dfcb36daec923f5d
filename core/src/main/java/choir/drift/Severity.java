package choir.drift;

import choir.refusal.Refusal;
import java.util.Locale;

public enum Severity {
    LOW,
    MEDIUM,
    HIGH;

    /** As people and programs write it. */
    public String word() {
        return name().toLowerCase(Locale.ROOT);
    }

    public static Severity named(String word) {
        for (var severity : values()) {
            if (severity.word().equalsIgnoreCase(word)) {
                return severity;
            }
        }
        throw new Refusal("expected the severity low, medium or high, not \"" + word + "\"");
    }
}
