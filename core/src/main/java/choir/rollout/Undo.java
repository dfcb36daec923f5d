package choir.rollout;

import choir.family.NativeValue;
import choir.policy.SettingKey;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;

/** What must be written to put back what a step changed. */
public final class Undo {
    private Undo() {}

    /**
     * @param results what a reading told of the step; empty when none did, so that all of it may have been written
     * @return empty when the step changed nothing that can be put back; of a value that the recorder had not shown before
     *     nobody knows what to put back
     */
    public static Map<SettingKey, Change> of(
            Map<SettingKey, Change> changes, StepState state, Map<SettingKey, Settlement.Result> results) {
        return switch (state) {
            case VERIFIED, UNSETTLED, WRITING -> back(changes, results);
            case MISMATCHED, FAILED -> {
                Map<SettingKey, Change> moved = new TreeMap<>(changes);
                moved.keySet().removeIf(key -> held(key, results).isEmpty());
                yield back(moved, results);
            }
            case PLANNED, SKIPPED -> Map.of();
        };
    }

    private static Optional<NativeValue> held(SettingKey key, Map<SettingKey, Settlement.Result> results) {
        return Optional.ofNullable(results.get(key)).flatMap(Settlement.Result::readBack);
    }

    private static Map<SettingKey, Change> back(
            Map<SettingKey, Change> changes, Map<SettingKey, Settlement.Result> results) {
        Map<SettingKey, Change> back = new TreeMap<>();
        changes.forEach((key, change) -> {
            var now = held(key, results).orElse(change.after());
            change.before()
                    .filter(before -> !before.equals(now))
                    .ifPresent(before -> back.put(key, new Change(Optional.of(now), before)));
        });
        return back;
    }
}
