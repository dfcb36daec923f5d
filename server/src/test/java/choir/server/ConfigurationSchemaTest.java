package choir.server;

import static org.assertj.core.api.Assertions.assertThat;

import jakarta.validation.constraints.Max;
import jakarta.validation.constraints.Min;
import jakarta.validation.constraints.NotBlank;
import jakarta.validation.constraints.Pattern;
import java.io.IOException;
import java.lang.reflect.AnnotatedElement;
import java.lang.reflect.ParameterizedType;
import java.lang.reflect.RecordComponent;
import java.lang.reflect.Type;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import org.junit.jupiter.api.Test;
import org.springframework.boot.context.properties.bind.DefaultValue;
import tools.jackson.databind.SerializationFeature;
import tools.jackson.databind.json.JsonMapper;

/**
 * {@code docs/configuration-schema.json} describes a configuration file, and is made from what the service reads it into;
 * {@code -Dchoir.keep-document=true} writes it anew.
 */
class ConfigurationSchemaTest {
    private static final Path KEPT = Path.of("../docs/configuration-schema.json");
    private static final Path SOURCES = Path.of("src/main/java");
    private static final JsonMapper JSON = JsonMapper.builder()
            .enable(SerializationFeature.ORDER_MAP_ENTRIES_BY_KEYS)
            .build();

    @Test
    void theSchemaIsWhatTheServiceReads() throws Exception {
        var made = JSON.writerWithDefaultPrettyPrinter().writeValueAsString(schema()) + "\n";
        if (Boolean.getBoolean("choir.keep-document")) {
            Files.writeString(KEPT, made);
        }
        assertThat(Files.readString(KEPT)).isEqualTo(made);
    }

    @Test
    void everySettingIsInTheTableForPeople() throws Exception {
        var table = Files.readString(Path.of("../docs/running.md"));
        var choir = (Map<?, ?>) ((Map<?, ?>) schema().get("properties")).get("choir");
        assertThat(((Map<?, ?>) choir.get("properties")).keySet().stream().map(String::valueOf))
                .allSatisfy(key -> assertThat(table).contains("choir." + key));
    }

    private static Map<String, Object> schema() throws Exception {
        var choir = ofRecord(ServiceSettings.class);
        var mail = Class.forName("choir.server.notice.MailSettings");
        @SuppressWarnings("unchecked")
        var properties = (Map<String, Object>) choir.get("properties");
        properties.put("mail", ofRecord(mail));
        choir.put("description", "what is Choir's own; any other key is refused");
        Map<String, Object> whole = new LinkedHashMap<>();
        whole.put("$schema", "https://json-schema.org/draft/2020-12/schema");
        whole.put("title", "Configuration of a Choir service");
        whole.put("type", "object");
        whole.put("properties", Map.of("choir", choir));
        return whole;
    }

    private static Map<String, Object> ofRecord(Class<?> record) throws IOException {
        var words = described(record);
        Map<String, Object> properties = new LinkedHashMap<>();
        for (var component : record.getRecordComponents()) {
            Map<String, Object> one = new LinkedHashMap<>(of(component.getGenericType(), component.getAccessor()));
            Optional.ofNullable(words.get(component.getName())).ifPresent(w -> one.put("description", w));
            defaultOf(component).ifPresent(d -> one.put("default", d));
            properties.put(kebab(component.getName()), one);
        }
        Map<String, Object> object = new LinkedHashMap<>();
        object.put("type", "object");
        object.put("additionalProperties", false);
        object.put("properties", properties);
        return object;
    }

    private static Map<String, Object> of(Type type, AnnotatedElement at) throws IOException {
        if (type instanceof ParameterizedType list && list.getRawType() == List.class) {
            var item = list.getActualTypeArguments()[0];
            return Map.of("type", "array", "items", of(item, (Class<?>) item));
        }
        var raw = type instanceof ParameterizedType map ? (Class<?>) map.getRawType() : (Class<?>) type;
        if (raw.isRecord()) {
            return ofRecord(raw);
        }
        Map<String, Object> one = new LinkedHashMap<>();
        if (raw == int.class || raw == long.class) {
            one.put("type", "integer");
            Optional.ofNullable(at.getAnnotation(Min.class)).ifPresent(min -> one.put("minimum", min.value()));
            Optional.ofNullable(at.getAnnotation(Max.class)).ifPresent(max -> one.put("maximum", max.value()));
        } else if (raw == double.class) {
            one.put("type", "number");
        } else if (raw == boolean.class) {
            one.put("type", "boolean");
        } else if (raw == Map.class) {
            one.put("type", "object");
        } else {
            one.put("type", "string");
            if (raw == Duration.class) {
                one.put("pattern", "^\\d+(ms|s|m|h|d)$");
            }
            Optional.ofNullable(at.getAnnotation(Pattern.class)).ifPresent(p -> one.put("pattern", p.regexp()));
            if (at.isAnnotationPresent(NotBlank.class)) {
                one.put("minLength", 1);
            }
        }
        return one;
    }

    private static Optional<String> defaultOf(RecordComponent component) {
        return Arrays.stream(component.getDeclaringRecord().getDeclaredConstructors())
                .flatMap(c -> Arrays.stream(c.getParameters()))
                .filter(p -> p.getName().equals(component.getName()))
                .flatMap(p -> Optional.ofNullable(p.getAnnotation(DefaultValue.class)).stream())
                .map(DefaultValue::value)
                .filter(values -> values.length == 1)
                .map(values -> values[0])
                .findFirst();
    }

    private static String kebab(String name) {
        return name.replaceAll("([A-Z])", "-$1").toLowerCase(java.util.Locale.ROOT);
    }

    /** What the source says of each part. */
    private static Map<String, String> described(Class<?> record) throws IOException {
        var top = record;
        while (top.getEnclosingClass() != null) {
            top = top.getEnclosingClass();
        }
        var file = SOURCES.resolve(top.getName().replace('.', '/') + ".java");
        if (!Files.exists(file)) {
            file = Path.of("../core").resolve(file);
        }
        var source = Files.readString(file);
        var at = source.indexOf("record " + record.getSimpleName() + "(");
        var begin = source.lastIndexOf("/**", at);
        if (begin < 0) {
            return Map.of();
        }
        var comment = source.substring(begin, source.indexOf("*/", begin)).replaceAll("(?m)^\\s*\\*? ?", " ");
        return java.util.regex.Pattern.compile("(?s)@param (\\w+)\\s+(.*?)(?=@param|$)")
                .matcher(comment)
                .results()
                .collect(Collectors.toMap(
                        m -> m.group(1),
                        m -> m.group(2)
                                .replaceAll("\\{@\\w+ #?([^}]*)}", "$1")
                                .replaceAll("\\s+", " ")
                                .strip()));
    }
}
