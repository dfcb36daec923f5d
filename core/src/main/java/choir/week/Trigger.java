package choir.week;

import java.util.Arrays;
import java.util.Optional;

/** One reason for a recorder to record. */
public enum Trigger {
    CONTINUOUS("continuous"),
    MOTION("motion"),
    ALARM("alarm"),
    ANALYTICS("analytics"),
    /** Motion and an alarm input together; records less often than either alone. */
    MOTION_AND_ALARM("motion+alarm");

    private final String text;

    Trigger(String text) {
        this.text = text;
    }

    public String text() {
        return text;
    }

    /** True when the other trigger records at every moment at which this one does. */
    public boolean isBelow(Trigger other) {
        return this == other || other == CONTINUOUS || this == MOTION_AND_ALARM && (other == MOTION || other == ALARM);
    }

    static Optional<Trigger> parse(String text) {
        return Arrays.stream(values()).filter(t -> t.text.equals(text)).findFirst();
    }
}
