package choir.cli;

import java.util.List;
import java.util.stream.Collectors;
import tools.jackson.databind.JsonNode;

/** Selections as they come from a command line: the words belong together. */
final class Selections {
    private Selections() {}

    static String joined(List<String> words, String option) {
        return (String.join(" ", words) + " " + option).strip();
    }

    static String list(JsonNode array) {
        return array.values().stream().map(n -> n.asString("")).collect(Collectors.joining(", "));
    }
}
