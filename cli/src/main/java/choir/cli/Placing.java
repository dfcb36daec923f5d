package choir.cli;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import picocli.CommandLine.Option;
import tools.jackson.databind.JsonNode;

/** Which cameras are placed: those named, and those of a selection; all of them or none. */
final class Placing {
    @Option(
            names = "--select",
            paramLabel = "SELECTION",
            description = "also all cameras of the selection",
            defaultValue = "")
    private String select = "";

    /** @return how many cameras were meant, and how many changed */
    int[] place(Client service, List<String> named, String key, Object value) {
        List<String> cameras = new ArrayList<>(named);
        if (!select.isBlank()) {
            for (JsonNode row : service.all(Client.select("/api/v1/cameras", select))) {
                cameras.add(Listing.text(row, "camera"));
            }
        }
        var distinct = cameras.stream().distinct().toList();
        if (distinct.isEmpty()) {
            throw new Failure(Failure.WRONG_USAGE, "no camera is named or selected; see: choir help selections");
        }
        List<Map<String, Object>> lines = new ArrayList<>();
        distinct.forEach(c -> lines.add(Map.of("line", lines.size() + 1, "camera", c, key, value)));
        var placed = service.post("/api/v1/placings", Map.of("lines", lines));
        return new int[] {distinct.size(), placed.path("changed").asInt()};
    }
}
