package choir.cli;

import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import tools.jackson.databind.JsonNode;

/** What several cameras hold, equal values once: who holds a value stands beside it. */
final class Held {
    private static final int MOST_NAMED = 8;

    /** By setting and value, the channels that hold it; in the order of the settings. */
    private final Map<String, Map<String, List<String>>> bySetting = new LinkedHashMap<>();

    private int cameras;

    void add(String channel, JsonNode settings) {
        cameras++;
        for (var setting : settings) {
            var holds = Listing.text(setting, "observed");
            if (!holds.isEmpty()) {
                bySetting
                        .computeIfAbsent(Listing.text(setting, "title"), t -> new LinkedHashMap<>())
                        .computeIfAbsent(holds, h -> new ArrayList<>())
                        .add(channel);
            }
        }
    }

    boolean isEmpty() {
        return bySetting.isEmpty();
    }

    /** What all hold first, then what differs, the usual value before the others. */
    Table table() {
        var table = new Table("setting", "holds", "channels");
        bySetting.forEach((title, values) -> {
            if (isShared(values)) {
                table.row(title, values.keySet().iterator().next(), "all " + cameras);
            }
        });
        bySetting.forEach((title, values) -> {
            if (!isShared(values)) {
                var name = title;
                for (var entry : values.entrySet().stream()
                        .sorted(Comparator.comparing(e -> -e.getValue().size()))
                        .toList()) {
                    table.row(name, entry.getKey(), channels(entry.getValue()));
                    name = "";
                }
            }
        });
        return table;
    }

    private boolean isShared(Map<String, List<String>> values) {
        return values.size() == 1 && values.values().iterator().next().size() == cameras;
    }

    private static String channels(List<String> channels) {
        return channels.size() > MOST_NAMED
                ? channels.size() + ": " + String.join(" ", channels.subList(0, MOST_NAMED - 1)) + " and "
                        + (channels.size() - MOST_NAMED + 1) + " more"
                : String.join(" ", channels);
    }
}
