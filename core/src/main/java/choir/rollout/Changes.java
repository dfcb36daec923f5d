package choir.rollout;

import choir.family.NativeConfig;
import choir.family.NativeValue;
import choir.family.Translation;
import choir.family.Translation.Wish;
import choir.policy.SettingKey;
import java.util.Map;
import java.util.TreeMap;

/** What must be written to bring a camera into tune. */
public final class Changes {
    private Changes() {}

    /** Only what differs; in a partial week the minutes that are not governed keep what the recorder has there. */
    public static Map<SettingKey, Change> between(Translation translation, NativeConfig observed) {
        Map<SettingKey, Change> changes = new TreeMap<>();
        translation.wishes().forEach((key, wish) -> {
            if (wish instanceof Wish.Wanted(var wanted, var note)) {
                var held = observed.get(key);
                var after = held.map(h -> whole(wanted, h)).orElse(wanted);
                if (!held.equals(java.util.Optional.of(after))) {
                    changes.put(key, new Change(held, after));
                }
            }
        });
        return changes;
    }

    /** The same, where what is held is known: what cannot be known is never written over. */
    public static Map<SettingKey, Change> writable(Translation translation, NativeConfig observed) {
        var changes = between(translation, observed);
        changes.values().removeIf(c -> c.before().isEmpty());
        return changes;
    }

    /** What is held once all of the changes took. */
    public static NativeConfig taken(NativeConfig observed, Map<SettingKey, Change> changes) {
        Map<SettingKey, NativeValue> after = new TreeMap<>();
        changes.forEach((key, change) -> after.put(key, change.after()));
        return after.isEmpty() ? observed : observed.with(after);
    }

    private static NativeValue whole(NativeValue wanted, NativeValue held) {
        return wanted instanceof NativeValue.Hours(var want) && held instanceof NativeValue.Hours(var have)
                ? new NativeValue.Hours(want.over(have))
                : wanted;
    }
}
