package choir.rollout;

import choir.family.NativeConfig;
import choir.family.NativeValue;
import choir.policy.SettingKey;
import java.util.Collections;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;

/**
 * What a reading tells of a step that was, or may have been, written.
 *
 * @param state {@code VERIFIED} when all that was asked is there; {@code PLANNED} when nothing of it ever left; {@code
 *     UNSETTLED} when the reading did not show it; {@code MISMATCHED} otherwise
 * @param results of each setting
 */
public record Settlement(StepState state, Map<SettingKey, Result> results) {
    /** @param readBack empty when the recorder did not show it */
    public record Result(Fate fate, Optional<NativeValue> readBack) {}

    public Settlement {
        results = Collections.unmodifiableMap(new TreeMap<>(results));
    }

    /**
     * @param sent settings of which the call was made, answered or not; empty when nobody knows, as after a crash
     */
    public static Settlement of(Map<SettingKey, Change> changes, Optional<Set<SettingKey>> sent, NativeConfig held) {
        Map<SettingKey, Result> results = new TreeMap<>();
        changes.forEach((key, change) -> {
            var readBack = held.get(key);
            results.put(key, new Result(fate(change, sent.map(s -> s.contains(key)), readBack), readBack));
        });
        return new Settlement(state(changes, sent, held, results), results);
    }

    private static Fate fate(Change change, Optional<Boolean> sent, Optional<NativeValue> readBack) {
        if (readBack.filter(change.after()::equals).isPresent()) {
            return Fate.TOOK;
        }
        if (sent.equals(Optional.of(false))) {
            return Fate.NOT_SENT;
        }
        if (readBack.isEmpty() && change.before().isPresent()) {
            return Fate.NOT_SHOWN;
        }
        return sent.isPresent() ? Fate.DID_NOT_TAKE : Fate.LEFT_OPEN;
    }

    private static StepState state(
            Map<SettingKey, Change> changes,
            Optional<Set<SettingKey>> sent,
            NativeConfig held,
            Map<SettingKey, Result> results) {
        if (results.values().stream().anyMatch(r -> r.fate() == Fate.NOT_SHOWN)) {
            return StepState.UNSETTLED;
        }
        if (results.values().stream().allMatch(r -> r.fate() == Fate.TOOK)) {
            return StepState.VERIFIED;
        }
        boolean nothingLeft = sent.map(Set::isEmpty).orElse(true);
        return nothingLeft && unmoved(changes, held) ? StepState.PLANNED : StepState.MISMATCHED;
    }

    /** True when the recorder holds what was there before the step. */
    public static boolean unmoved(Map<SettingKey, Change> changes, NativeConfig observed) {
        return changes.entrySet().stream()
                .allMatch(e -> observed.get(e.getKey()).equals(e.getValue().before()));
    }
}
