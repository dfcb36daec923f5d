package choir.server.rollout;

import choir.family.NativeValue;
import choir.policy.SettingKey;
import choir.rollout.Change;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import java.util.stream.Collectors;

/** Changes as a column holds them: a line a setting, with the values before and after. */
final class StoredChanges {
    private static final String MISSING = "-";

    private StoredChanges() {}

    static String write(Map<SettingKey, Change> changes) {
        return new TreeMap<>(changes)
                .entrySet().stream()
                        .map(e -> e.getKey() + "\t"
                                + e.getValue().before().map(NativeValue::stored).orElse(MISSING) + "\t"
                                + e.getValue().after().stored())
                        .collect(Collectors.joining("\n"));
    }

    static Map<SettingKey, Change> read(String text) {
        Map<SettingKey, Change> changes = new TreeMap<>();
        text.lines().forEach(line -> {
            var parts = line.split("\t", 3);
            var before =
                    parts[1].equals(MISSING) ? Optional.<NativeValue>empty() : Optional.of(NativeValue.parse(parts[1]));
            changes.put(new SettingKey(parts[0]), new Change(before, NativeValue.parse(parts[2])));
        });
        return changes;
    }
}
