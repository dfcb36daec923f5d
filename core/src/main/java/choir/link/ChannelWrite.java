package choir.link;

import choir.family.NativeConfig;
import choir.family.NativeValue;
import choir.policy.SettingKey;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;

/**
 * What is to be written to one channel, and what it must still hold at that moment.
 *
 * @param before by setting; empty for one that the recorder did not show
 */
public record ChannelWrite(
        String channel, Map<SettingKey, Optional<NativeValue>> before, Map<SettingKey, NativeValue> values) {
    public ChannelWrite {
        before = Map.copyOf(before);
        values = java.util.Collections.unmodifiableMap(new TreeMap<>(values));
    }

    /** False when somebody has changed one of the settings meanwhile. */
    public boolean isUnmoved(NativeConfig held) {
        return before.entrySet().stream().allMatch(e -> held.get(e.getKey()).equals(e.getValue()));
    }
}
