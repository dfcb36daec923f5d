package choir.family;

import choir.policy.SettingKey;
import java.util.Collections;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;

/** What a recorder holds, or ought to hold, for one camera, by setting. */
public record NativeConfig(Map<SettingKey, NativeValue> values) {
    public static final NativeConfig EMPTY = new NativeConfig(Map.of());

    public NativeConfig {
        values = Collections.unmodifiableMap(new TreeMap<>(values));
    }

    public Optional<NativeValue> get(SettingKey key) {
        return Optional.ofNullable(values.get(key));
    }

    public NativeConfig with(Map<SettingKey, NativeValue> changes) {
        Map<SettingKey, NativeValue> all = new TreeMap<>(values);
        all.putAll(changes);
        return new NativeConfig(all);
    }
}
