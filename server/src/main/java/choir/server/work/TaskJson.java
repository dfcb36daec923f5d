package choir.server.work;

import choir.rollout.Waves;
import choir.server.stored.Json;
import java.time.Duration;
import tools.jackson.databind.JsonNode;

/** What long work is to do. */
public final class TaskJson {
    private static final int VERSION = 1;

    private TaskJson() {}

    public static String write(Task task) {
        var object = Json.versioned(VERSION);
        switch (task) {
            case Task.Reading(var recorders) -> {
                var names = object.putArray("recorders");
                recorders.forEach(names::add);
            }
            case Task.Audit(var selection) -> object.put("selection", selection);
            case Task.Rollout(var selection, var waves, var patience, boolean undo) ->
                object.put("selection", selection)
                        .put("first", waves.first())
                        .put("maxFailedPercent", waves.maxFailedPercent())
                        .put("patienceSeconds", patience.toSeconds())
                        .put("undo", undo);
            case Task.NotUnderstood n -> throw new IllegalArgumentException("what was not understood is not stored");
        }
        return Json.text(object);
    }

    /**
     * A limit that cannot be read stops: with whatever is wrong in the text, the task is {@link Task.NotUnderstood}.
     */
    public static Task read(Task.Kind kind, String text) {
        try {
            return Json.read(text, VERSION, node -> switch (kind) {
                case READING -> new Task.Reading(Json.list(Json.field(node, "recorders"), JsonNode::asString));
                case AUDIT -> new Task.Audit(Json.string(node, "selection"));
                case ROLLOUT ->
                    new Task.Rollout(
                            Json.string(node, "selection"),
                            new Waves(number(node, "first"), number(node, "maxFailedPercent")),
                            patience(node),
                            Json.field(node, "undo").asBoolean());
            });
        } catch (Json.UnreadableException e) {
            return new Task.NotUnderstood(kind, String.valueOf(e.getMessage()));
        }
    }

    /** The first ones were stored without. */
    private static Duration patience(JsonNode node) {
        return node.has("patienceSeconds")
                ? Duration.ofSeconds(number(node, "patienceSeconds"))
                : Task.Rollout.USUAL_PATIENCE;
    }

    private static int number(JsonNode node, String name) {
        var field = Json.field(node, name);
        if (!field.isInt()) {
            throw new Json.UnreadableException("\"" + name + "\" is no number");
        }
        return field.intValue();
    }
}
