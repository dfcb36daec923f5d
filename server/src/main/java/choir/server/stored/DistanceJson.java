package choir.server.stored;

import choir.drift.Distance;
import choir.drift.Measure;
import tools.jackson.databind.JsonNode;

public final class DistanceJson {
    private static final int VERSION = 1;

    private DistanceJson() {}

    public static String write(Distance distance) {
        var object = Json.versioned(VERSION);
        switch (distance) {
            case Distance.None n -> object.put("none", true);
            case Distance.Counted(var measure, var loss, var waste, int minutes) ->
                object.put("measure", measure.name())
                        .put("loss", loss)
                        .put("waste", waste)
                        .put("minutesWithoutRecording", minutes);
            case Distance.OfWeek(int loss, int waste, int minutes) ->
                object.put("minutesOfLoss", loss).put("minutesOfWaste", waste).put("minutesWithoutRecording", minutes);
        }
        return Json.text(object);
    }

    /** @throws Json.UnreadableException when it is none of ours */
    public static Distance read(String text) {
        return Json.read(text, VERSION, DistanceJson::distance);
    }

    private static Distance distance(JsonNode node) {
        if (node.has("measure")) {
            return new Distance.Counted(
                    Measure.valueOf(Json.string(node, "measure")),
                    Json.field(node, "loss").decimalValue(),
                    Json.field(node, "waste").decimalValue(),
                    minutes(node));
        }
        return node.has("minutesOfLoss")
                ? new Distance.OfWeek(
                        node.get("minutesOfLoss").asInt(),
                        Json.field(node, "minutesOfWaste").asInt(),
                        minutes(node))
                : Distance.none();
    }

    private static int minutes(JsonNode node) {
        return Json.field(node, "minutesWithoutRecording").asInt();
    }
}
