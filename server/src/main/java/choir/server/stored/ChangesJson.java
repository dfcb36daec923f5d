package choir.server.stored;

import choir.family.NativeValue;
import choir.policy.SettingKey;
import choir.rollout.Change;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;

/** Native changes of one camera, by setting. */
public final class ChangesJson {
    private static final int VERSION = 1;

    private ChangesJson() {}

    public static String write(Map<SettingKey, Change> changes) {
        var all = Json.object();
        new TreeMap<>(changes).forEach((key, change) -> {
            var one = all.putObject(key.text());
            change.before().ifPresent(before -> one.set("before", NativeJson.node(before)));
            one.set("after", NativeJson.node(change.after()));
        });
        var object = Json.versioned(VERSION);
        object.set("changes", all);
        return Json.text(object);
    }

    /** @throws Json.UnreadableException when it is none of ours */
    public static Map<SettingKey, Change> read(String text) {
        return Json.read(text, VERSION, node -> {
            Map<SettingKey, Change> changes = new TreeMap<>();
            Json.field(node, "changes").properties().forEach(e -> {
                Optional<NativeValue> before =
                        Optional.ofNullable(e.getValue().get("before")).map(NativeJson::value);
                changes.put(
                        new SettingKey(e.getKey()),
                        new Change(before, NativeJson.value(Json.field(e.getValue(), "after"))));
            });
            return changes;
        });
    }
}
