package choir.server.work;

import choir.rollout.Hours;
import choir.rollout.Waves;
import choir.server.stored.Json;
import java.time.Duration;
import java.time.LocalDate;
import java.util.Optional;
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
            case Task.Activity(var selection) -> object.put("selection", selection);
            case Task.Rollout(var selection, var waves, var patience, var hours, boolean undo) -> {
                var parts = object.putArray("waves");
                waves.before().forEach(part -> parts.add(part.toString()));
                hours.ifPresent(h -> object.put("hours", h.toString()));
                object.put("selection", selection)
                        .put("maxFailedPercent", waves.maxFailedPercent())
                        .put("patienceSeconds", patience.toSeconds())
                        .put("undo", undo);
            }
            case Task.Report(var selection, var first, var last, var mail) -> {
                object.put("selection", selection)
                        .put("first", first.toString())
                        .put("last", last.toString());
                mail.ifPresent(m -> object.put("mail", m));
            }
            case Task.Passwords(var selection, var waves) -> {
                var parts = object.putArray("waves");
                waves.before().forEach(part -> parts.add(part.toString()));
                object.put("selection", selection).put("maxFailedPercent", waves.maxFailedPercent());
            }
            case Task.Backup(), Task.Export() -> {
                // Nothing is to be said of it.
            }
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
                case ACTIVITY -> new Task.Activity(Json.string(node, "selection"));
                case BACKUP -> new Task.Backup();
                case EXPORT -> new Task.Export();
                case REPORT ->
                    new Task.Report(
                            Json.string(node, "selection"),
                            LocalDate.parse(Json.string(node, "first")),
                            LocalDate.parse(Json.string(node, "last")),
                            Optional.ofNullable(node.get("mail")).map(JsonNode::asString));
                case PASSWORDS -> new Task.Passwords(Json.string(node, "selection"), waves(node));
                case ROLLOUT ->
                    new Task.Rollout(
                            Json.string(node, "selection"),
                            waves(node),
                            patience(node),
                            hours(node),
                            Json.field(node, "undo").asBoolean());
            });
        } catch (Json.UnreadableException e) {
            return new Task.NotUnderstood(kind, String.valueOf(e.getMessage()));
        }
    }

    /** The first ones were stored with a number for the first wave alone. */
    private static Waves waves(JsonNode node) {
        int limit = number(node, "maxFailedPercent");
        return node.has("waves")
                ? new Waves(Json.list(Json.field(node, "waves"), part -> Waves.Part.parse(part.asString())), limit)
                : Waves.first(number(node, "first"), limit);
    }

    private static Optional<Hours> hours(JsonNode node) {
        return node.has("hours") ? Optional.of(Hours.parse(Json.string(node, "hours"))) : Optional.empty();
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
