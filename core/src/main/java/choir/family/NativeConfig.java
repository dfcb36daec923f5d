package choir.family;

import choir.policy.SettingKey;
import java.util.Collections;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import java.util.stream.Collectors;

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

    /** One line a setting, sorted; equal configurations have equal text. */
    public String stored() {
        return values.entrySet().stream()
                .map(e -> e.getKey() + "\t" + e.getValue().stored())
                .collect(Collectors.joining("\n"));
    }

    public static NativeConfig parse(String stored) {
        Map<SettingKey, NativeValue> values = new TreeMap<>();
        stored.lines().forEach(line -> {
            int cut = line.indexOf('\t');
            values.put(new SettingKey(line.substring(0, cut)), NativeValue.parse(line.substring(cut + 1)));
        });
        return new NativeConfig(values);
    }
}
