package choir.server.standing;

import choir.fleet.CameraState;
import choir.fleet.Node;
import choir.policy.Catalogue;
import choir.server.stored.Json;
import java.util.Collection;
import java.util.HashMap;
import java.util.HashSet;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ObjectNode;

/** The stored form of a summary. */
final class SummaryJson {
    private static final int VERSION = 1;

    private SummaryJson() {}

    static String write(Summary summary) {
        var object = Json.versioned(VERSION);
        summary.trouble().ifPresent(t -> object.put("trouble", t));
        var groups = object.putObject("groups");
        summary.byGroup().forEach((group, tally) -> write(tally, groups.putObject(group.text())));
        put(object, "states", summary.states().stream().map(Enum::name).toList());
        put(object, "tags", summary.tags());
        put(object, "templates", summary.templates());
        return Json.text(object);
    }

    private static void put(ObjectNode object, String name, Collection<String> texts) {
        var array = object.putArray(name);
        texts.stream().sorted().forEach(array::add);
    }

    private static void write(Tally tally, ObjectNode to) {
        to.put("cameras", tally.cameras());
        to.put("minutesWithoutRecording", tally.minutesWithoutRecording());
        var states = to.putObject("states");
        for (var state : CameraState.values()) {
            if (tally.in(state) > 0) {
                states.put(state.name(), tally.in(state));
            }
        }
        var settings = to.putObject("settings");
        Catalogue.settings().forEach(s -> {
            if (tally.governed(s.key()) > 0) {
                settings.putArray(s.key().text()).add(tally.governed(s.key())).add(tally.inTune(s.key()));
            }
        });
    }

    /** @throws Json.UnreadableException when it is none of ours */
    static Summary read(String text) {
        return Json.read(text, VERSION, node -> {
            Map<Node.Group, Tally> byGroup = new HashMap<>();
            Json.field(node, "groups")
                    .properties()
                    .forEach(e -> byGroup.put(new Node.Group(e.getKey()), tally(e.getValue())));
            Set<CameraState> states = new HashSet<>();
            Json.field(node, "states").forEach(s -> states.add(CameraState.valueOf(s.asString())));
            return new Summary(
                    Optional.ofNullable(node.get("trouble")).map(JsonNode::asString),
                    byGroup,
                    states,
                    texts(node, "tags"),
                    texts(node, "templates"));
        });
    }

    private static Set<String> texts(JsonNode node, String name) {
        return Set.copyOf(Json.list(Json.field(node, name), JsonNode::asString));
    }

    private static Tally tally(JsonNode node) {
        Map<CameraState, Integer> states = new HashMap<>();
        Json.field(node, "states")
                .properties()
                .forEach(e ->
                        states.put(CameraState.valueOf(e.getKey()), e.getValue().asInt()));
        var tally = new Tally(
                Json.field(node, "cameras").asInt(),
                Json.field(node, "minutesWithoutRecording").asLong(),
                states);
        Json.field(node, "settings")
                .properties()
                .forEach(e -> tally.settle(
                        Catalogue.named(e.getKey()).key(),
                        e.getValue().get(0).asInt(),
                        e.getValue().get(1).asInt()));
        return tally;
    }
}
