package choir.document;

import choir.policy.Catalogue;
import choir.policy.Setting;
import choir.policy.SettingType;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;

/** The JSON Schema (2020-12) of a document of a policy file, for editors that complete and check. */
public final class PolicySchema {
    private static final Map<String, Object> TEXT = Map.of("type", "string");
    private static final Map<String, Object> TEXTS = Map.of("type", "array", "items", TEXT);
    private static final Map<String, Object> SENSITIVITY =
            Map.of("anyOf", List.of(range(0, 100), pattern("^(auto|auto, *else +[0-9.]+|[0-9.]+)$")));

    private PolicySchema() {}

    /** As a tree of maps, lists, texts and numbers. */
    public static Map<String, Object> tree() {
        Map<String, Object> schema = new LinkedHashMap<>();
        schema.put("$schema", "https://json-schema.org/draft/2020-12/schema");
        schema.put("title", "A document of a Choir policy file");
        schema.put("oneOf", List.of(template(), calendar(), node("group"), node("camera")));
        return schema;
    }

    private static Map<String, Object> template() {
        Map<String, Object> properties = new LinkedHashMap<>();
        properties.put("template", pattern("^[a-z0-9][a-z0-9-]{0,59}$"));
        properties.put("title", TEXT);
        properties.put("extends", TEXT);
        for (var section : Catalogue.sections()) {
            Map<String, Object> settings = new LinkedHashMap<>();
            Catalogue.settings().stream()
                    .filter(s -> s.key().section().equals(section))
                    .forEach(s -> settings.put(s.key().text().substring(section.length() + 1), setting(s)));
            properties.put(section, object(settings, List.of()));
        }
        properties.put("unset", TEXTS);
        properties.put("fixed", TEXTS);
        return object(properties, List.of("template"));
    }

    private static Map<String, Object> node(String kind) {
        Map<String, Object> settings = new LinkedHashMap<>();
        Catalogue.settings().forEach(s -> settings.put(s.key().text(), setting(s)));
        Map<String, Object> properties = new LinkedHashMap<>();
        properties.put(kind, TEXT);
        properties.put("use", TEXTS);
        properties.put("set", object(settings, List.of()));
        properties.put("unset", TEXTS);
        properties.put("fixed", TEXTS);
        properties.put("because", TEXT);
        properties.put("until", pattern("^[0-9]{4}-[0-9]{2}-[0-9]{2}$"));
        return object(properties, List.of(kind));
    }

    private static Map<String, Object> setting(Setting setting) {
        Map<String, Object> schema = new LinkedHashMap<>();
        schema.put(
                "description",
                setting.meaning() + " Expected: " + setting.type().expected() + ".");
        schema.putAll(type(setting.type()));
        return schema;
    }

    private static Map<String, Object> type(SettingType type) {
        return switch (type) {
            case SettingType.OnOff o -> Map.of("enum", List.of("on", "off"));
            case SettingType.Choice c -> choice(c);
            case SettingType.SensitivityOrAuto s -> SENSITIVITY;
            case SettingType.ShareOfPicture s -> pattern("^[0-9.]+ *%$");
            case SettingType.Amount a ->
                Map.of("anyOf", List.of(range(a.min(), a.max()), pattern("^[0-9.]+ *" + a.unit() + "$")));
            case SettingType.Named n -> TEXT;
            case SettingType.ClipEvery c -> pattern("^(off|[0-9]+s every [0-9]+min)$");
            case SettingType.OffOr o -> TEXT;
            case SettingType.WeekOfTriggers w -> week(TEXT);
            case SettingType.WeekOfSensitivities w -> week(SENSITIVITY);
            case SettingType.DayPlans d ->
                Map.of("type", "object", "additionalProperties", Map.of("anyOf", List.of(TEXT, windows(TEXT))));
            case SettingType.AreaList a -> areas();
        };
    }

    /** Words that are numbers, such as {@code 1}, may stand without quotes. */
    private static Map<String, Object> choice(SettingType.Choice choice) {
        List<Object> values = new java.util.ArrayList<>(choice.words());
        choice.words().stream()
                .filter(w -> w.matches("\\d+"))
                .map(Integer::valueOf)
                .forEach(values::add);
        return Map.of("enum", values);
    }

    private static Map<String, Object> calendar() {
        Map<String, Object> properties = new LinkedHashMap<>();
        properties.put("calendar", pattern("^[a-z][a-z0-9-]{0,59}$"));
        properties.put("title", TEXT);
        properties.put("dates", TEXTS);
        return object(properties, List.of("calendar", "dates"));
    }

    private static Map<String, Object> windows(Map<String, Object> value) {
        return Map.of(
                "type",
                "array",
                "items",
                Map.of("anyOf", List.of(TEXT, Map.of("type", "object", "additionalProperties", value))));
    }

    private static Map<String, Object> week(Map<String, Object> value) {
        Map<String, Object> windows = windows(value);
        Map<String, Object> replacing = new LinkedHashMap<>();
        replacing.put("replace", Map.of("enum", List.of(true, false, "true", "false")));
        replacing.put("windows", windows);
        return Map.of("anyOf", List.of(TEXT, windows, object(replacing, List.of("windows"))));
    }

    private static Map<String, Object> areas() {
        Map<String, Object> point = Map.of("type", "array", "items", range(0, 1), "minItems", 2, "maxItems", 2);
        Map<String, Object> properties = new LinkedHashMap<>();
        List.of("watch", "ignore", "area", "remove").forEach(k -> properties.put(k, TEXT));
        properties.put("polygon", Map.of("type", "array", "items", point, "minItems", 3));
        properties.put("rectangle", Map.of("type", "array", "items", point, "minItems", 2, "maxItems", 2));
        properties.put("cells", Map.of("type", "array", "items", pattern("^[#.]+$")));
        properties.put("sensitivity", SENSITIVITY);
        properties.put("threshold", pattern("^[0-9.]+ *%$"));
        return Map.of("type", "array", "items", object(properties, List.of()));
    }

    private static Map<String, Object> object(Map<String, Object> properties, List<String> required) {
        Map<String, Object> schema = new LinkedHashMap<>();
        schema.put("type", "object");
        schema.put("properties", properties);
        schema.put("required", required);
        schema.put("additionalProperties", false);
        return schema;
    }

    private static Map<String, Object> range(int min, int max) {
        return Map.of("type", "number", "minimum", min, "maximum", max);
    }

    private static Map<String, Object> pattern(String regex) {
        return Map.of("type", "string", "pattern", regex);
    }
}
