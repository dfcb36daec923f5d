package choir.server.stored;

import choir.policy.SettingKey;
import choir.rollout.Fate;
import choir.rollout.Settlement;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import java.util.stream.Collectors;
import tools.jackson.databind.JsonNode;

/** What is known of a step beside its state. */
public final class OutcomeJson {
    private static final int VERSION = 1;

    /**
     * @param sent settings of which the call was made; empty when nobody knows
     * @param results what a reading told of each; none before that
     */
    public record Outcome(Optional<Set<SettingKey>> sent, Map<SettingKey, Settlement.Result> results) {
        public static final Outcome NOTHING = new Outcome(Optional.empty(), Map.of());

        public static Outcome sent(Set<SettingKey> keys) {
            return new Outcome(Optional.of(Set.copyOf(keys)), Map.of());
        }

        public Outcome with(Map<SettingKey, Settlement.Result> told) {
            return new Outcome(sent, told);
        }
    }

    private OutcomeJson() {}

    public static String write(Outcome outcome) {
        var object = Json.versioned(VERSION);
        outcome.sent().ifPresent(sent -> {
            var keys = object.putArray("sent");
            sent.stream().sorted().forEach(key -> keys.add(key.text()));
        });
        var results = object.putObject("results");
        new TreeMap<>(outcome.results()).forEach((key, result) -> {
            var one = results.putObject(key.text()).put("fate", result.fate().name());
            result.readBack().ifPresent(value -> one.set("readBack", NativeJson.node(value)));
        });
        return Json.text(object);
    }

    /** @throws Json.UnreadableException when it is none of ours */
    public static Outcome read(String text) {
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
            return new Outcome(
                    Optional.ofNullable(node.get("sent"))
                            .map(s -> Json.list(s, JsonNode::asString).stream()
                                    .map(SettingKey::new)
                                    .collect(Collectors.toSet())),
                    results);
        });
    }
}
