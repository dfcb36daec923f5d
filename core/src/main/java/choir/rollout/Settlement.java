package choir.rollout;

import choir.family.NativeConfig;
import choir.policy.SettingKey;
import java.util.Map;

/** Decides by reading what became of a step: new values verify it, the old ones mean that nothing was written. */
public final class Settlement {
    private Settlement() {}

    /** After a write that ran to its end. */
    public static StepState afterWrite(Map<SettingKey, Change> changes, NativeConfig observed) {
        return holdsNew(changes, observed) ? StepState.VERIFIED : StepState.MISMATCHED;
    }

    /** For a step that a crash left in {@code WRITING}. */
    public static StepState afterCrash(Map<SettingKey, Change> changes, NativeConfig observed) {
        if (holdsNew(changes, observed)) {
            return StepState.VERIFIED;
        }
        boolean holdsOld = changes.entrySet().stream()
                .allMatch(e -> observed.get(e.getKey()).equals(e.getValue().before()));
        return holdsOld ? StepState.PLANNED : StepState.MISMATCHED;
    }

    /** True when the recorder still holds what the preview saw. */
    public static boolean unmoved(Map<SettingKey, Change> changes, NativeConfig observed) {
        return changes.entrySet().stream()
                .allMatch(e -> observed.get(e.getKey()).equals(e.getValue().before()));
    }

    private static boolean holdsNew(Map<SettingKey, Change> changes, NativeConfig observed) {
        return changes.entrySet().stream()
                .allMatch(e -> observed.get(e.getKey())
                        .filter(e.getValue().after()::equals)
                        .isPresent());
    }
}
