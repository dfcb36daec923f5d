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

    private static NativeValue whole(NativeValue wanted, NativeValue held) {
        return wanted instanceof NativeValue.Hours(var want) && held instanceof NativeValue.Hours(var have)
                ? new NativeValue.Hours(want.over(have))
                : wanted;
    }
}
