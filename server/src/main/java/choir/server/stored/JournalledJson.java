package choir.server.stored;

import choir.policy.SettingKey;
import choir.rollout.Fate;
import choir.rollout.Journalled;
import choir.rollout.Settlement;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import java.util.stream.Collectors;
import tools.jackson.databind.JsonNode;

/** What the journal knows of a step beside its state. */
public final class JournalledJson {
    private static final int VERSION = 1;

    private JournalledJson() {}

    public static String write(Journalled known) {
        var object = Json.versioned(VERSION);
        known.sent().ifPresent(sent -> {
            var keys = object.putArray("sent");
            sent.stream().sorted().forEach(key -> keys.add(key.text()));
        });
        var results = object.putObject("results");
        new TreeMap<>(known.results()).forEach((key, result) -> {
            var one = results.putObject(key.text()).put("fate", result.fate().name());
            result.readBack().ifPresent(value -> one.set("readBack", NativeJson.node(value)));
        });
        return Json.text(object);
    }

    /** @throws Json.UnreadableException when it is none of ours */
    public static Journalled read(String text) {
        return Json.read(text, VERSION, node -> {
            Map<SettingKey, Settlement.Result> results = new TreeMap<>();
            Json.field(node, "results")
                    .properties()
                    .forEach(e -> results.put(
                            new SettingKey(e.getKey()),
                            new Settlement.Result(
                                    Fate.valueOf(Json.string(e.getValue(), "fate")),
                                    Optional.ofNullable(e.getValue().get("readBack"))
                                            .map(NativeJson::value))));
            return new Journalled(
                    Optional.ofNullable(node.get("sent"))
                            .map(s -> Json.list(s, JsonNode::asString).stream()
                                    .map(SettingKey::new)
                                    .collect(Collectors.toSet())),
                    results);
        });
    }
}
