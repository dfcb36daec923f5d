package choir.family;

import choir.policy.Catalogue;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;

/** The JSON Schema (2020-12) of a family file, for editors that complete and check. */
public final class FamilySchema {
    private static final Map<String, Object> YES_OR_NO = Map.of("enum", List.of("yes", "no", true, false));
    private static final Map<String, Object> WHOLE = Map.of("type", "integer");
    private static final Map<String, Object> TEXT = Map.of("type", "string");
    private static final Map<String, Object> SIDES = Map.of("type", "string", "pattern", "^[0-9]{1,4}x[0-9]{1,4}$");

    private FamilySchema() {}

    /** As a tree of maps, lists, texts and numbers. */
    public static Map<String, Object> tree() {
        Map<String, Object> settings = new LinkedHashMap<>();
        Catalogue.settings().forEach(s -> settings.put(s.key().text(), setting(s.meaning())));
        Map<String, Object> properties = new LinkedHashMap<>();
        properties.put("family", Map.of("type", "string", "pattern", "^[a-z0-9][a-z0-9-]{0,59}$"));
        properties.put("title", TEXT);
        properties.put("recognise", object(Map.of("maker", TEXT, "model", TEXT, "exactly", YES_OR_NO), List.of()));
        properties.put("pauses", Map.of("enum", List.of("nothing", "channel", "all-channels")));
        properties.put("connections", WHOLE);
        properties.put("sleeps", YES_OR_NO);
        properties.put("on-site", YES_OR_NO);
        Map<String, Object> tests = new LinkedHashMap<>();
        Catalogue.settings().stream()
                .filter(s -> s.key().isResponse())
                .forEach(s -> tests.put(s.key().text(), TEXT));
        properties.put("tests", object(tests, List.of()));
        properties.put("settings", object(settings, List.of()));
        Map<String, Object> schema = new LinkedHashMap<>();
        schema.put("$schema", "https://json-schema.org/draft/2020-12/schema");
        schema.put("title", "A family file of Choir");
        schema.putAll(object(properties, List.of("family", "settings")));
        return schema;
    }

    private static Map<String, Object> setting(String meaning) {
        Map<String, Object> properties = new LinkedHashMap<>();
        properties.put("at", Map.of("type", "string", "pattern", "^(" + String.join("|", Place.kinds()) + ")( |$)"));
        properties.put("factory", Map.of("type", List.of("string", "number", "boolean")));
        for (var key : List.of("from", "to", "step", "polygons", "corners", "resolution", "block", "most")) {
            properties.put(key, WHOLE);
        }
        properties.put("direction", Map.of("enum", List.of("up", "down")));
        properties.put("words", Map.of("type", "array", "items", TEXT));
        properties.put("values", Map.of("type", "array", "items", WHOLE));
        properties.put("percents", Map.of("type", "array", "items", Map.of("type", "number")));
        properties.put(
                "lanes",
                Map.of(
                        "type",
                        "array",
                        "items",
                        Map.of("enum", List.of("continuous", "motion", "alarm", "analytics"))));
        properties.put("choices", Map.of("type", "object"));
        properties.put("unit", Map.of("enum", List.of("cells", "pixels", "percent", "steps")));
        properties.put("grid", SIDES);
        properties.put("full", SIDES);
        for (var key : List.of("auto", "ignores", "each-area", "single", "off")) {
            properties.put(key, YES_OR_NO);
        }
        Map<String, Object> schema = object(properties, List.of("at"));
        schema.put("description", meaning);
        return schema;
    }

    private static Map<String, Object> object(Map<String, Object> properties, List<String> required) {
        Map<String, Object> schema = new LinkedHashMap<>();
        schema.put("type", "object");
        schema.put("properties", properties);
        schema.put("required", required);
        schema.put("additionalProperties", false);
        return schema;
    }
}
