package choir.cli;

import java.time.LocalDate;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import picocli.CommandLine.Option;
import tools.jackson.databind.JsonNode;

/** Which findings are meant, by what they are and where. */
final class FindingChoice {
    @Option(names = "--select", description = "of these cameras", defaultValue = "", paramLabel = "SELECTION")
    private String select = "";

    @Option(names = "--severity", description = "at least low, medium or high", defaultValue = "", paramLabel = "WORD")
    private String severity = "";

    @Option(
            names = "--cause",
            description = "such as \"changed at the recorder\"",
            defaultValue = "",
            paramLabel = "CAUSE")
    private String cause = "";

    @Option(names = "--setting", description = "about this setting", defaultValue = "", paramLabel = "KEY")
    private String setting = "";

    @Option(names = "--older-than", description = "first seen that many days ago, or before", paramLabel = "DAYS")
    private int days = -1;

    @Option(names = "--assigned", description = "that this person sees to", defaultValue = "", paramLabel = "PERSON")
    private String assigned = "";

    @Option(names = "--unassigned", description = "that nobody sees to")
    private boolean unassigned;

    /** Nothing narrows it. */
    boolean isEverything() {
        return query("").isEmpty();
    }

    /** @param words of a selection, as they came without an option */
    String query(String words) {
        Map<String, String> asked = new LinkedHashMap<>();
        put(asked, "select", Selections.joined(List.of(words), select));
        put(asked, "severity", severity);
        put(asked, "cause", cause);
        put(asked, "setting", setting);
        put(asked, "assigned", assigned);
        if (days >= 0) {
            asked.put(
                    "before",
                    LocalDate.now(java.time.ZoneId.systemDefault())
                            .minusDays(days - 1L)
                            .toString());
        }
        if (unassigned) {
            asked.put("assigned", "");
        }
        return asked.entrySet().stream()
                .map(e -> e.getKey() + "=" + Client.encode(e.getValue()))
                .collect(Collectors.joining("&"));
    }

    private static void put(Map<String, String> asked, String key, String value) {
        if (!value.isBlank()) {
            asked.put(key, value);
        }
    }

    List<JsonNode> of(Client service) {
        return service.all("/api/v1/findings?" + query(""));
    }
}
