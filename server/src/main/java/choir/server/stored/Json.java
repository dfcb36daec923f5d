package choir.server.stored;

import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.function.Function;
import tools.jackson.core.JacksonException;
import tools.jackson.core.json.JsonWriteFeature;
import tools.jackson.databind.DeserializationFeature;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;
import tools.jackson.databind.node.ArrayNode;
import tools.jackson.databind.node.ObjectNode;

/** What the codecs share. A text that is none of ours is an {@link UnreadableException}, which its reader answers for. */
public final class Json {
    /** Numbers keep their digits; nothing but ASCII is written, so that no tool in between can spoil a text. */
    static final JsonMapper MAPPER = JsonMapper.builder()
            .enable(DeserializationFeature.USE_BIG_DECIMAL_FOR_FLOATS)
            .enable(JsonWriteFeature.ESCAPE_NON_ASCII)
            .build();

    private static final String VERSION = "v";

    private Json() {}

    /** A stored text that cannot be understood. */
    public static final class UnreadableException extends RuntimeException {
        UnreadableException(String message, Throwable cause) {
            super(message, cause);
        }

        public UnreadableException(String message) {
            super(message);
        }
    }

    public static ObjectNode object() {
        return MAPPER.createObjectNode();
    }

    public static ArrayNode array() {
        return MAPPER.createArrayNode();
    }

    /** An object that says by which version of its form it is written. */
    public static ObjectNode versioned(int version) {
        return object().put(VERSION, version);
    }

    /** Plain facts, as they go out. */
    public static String ofMap(Map<String, Object> facts) {
        return MAPPER.writeValueAsString(facts);
    }

    /** A text that we wrote ourselves. */
    public static JsonNode tree(String text) {
        return MAPPER.readTree(text);
    }

    public static String text(JsonNode node) {
        return MAPPER.writeValueAsString(node);
    }

    /** Whatever is wrong with a stored text, in one type. */
    public static <T> T read(String text, int version, Function<JsonNode, T> reader) {
        try {
            var node = MAPPER.readTree(text);
            int said = node.path(VERSION).asInt(0);
            if (said != version) {
                throw new UnreadableException("version " + said + " of a stored text; this service reads " + version);
            }
            return reader.apply(node);
        } catch (UnreadableException e) {
            throw e;
        } catch (JacksonException e) {
            throw new UnreadableException("a stored text is no JSON", e);
        } catch (RuntimeException e) {
            throw new UnreadableException("a stored text has another form than it says: " + e.getMessage(), e);
        }
    }

    public static <T> List<T> list(JsonNode array, Function<JsonNode, T> each) {
        List<T> all = new ArrayList<>();
        array.forEach(node -> all.add(each.apply(node)));
        return all;
    }

    /** A field that must be there. */
    public static JsonNode field(JsonNode node, String name) {
        var field = node.get(name);
        if (field == null || field.isNull()) {
            throw new UnreadableException("\"" + name + "\" is missing in a stored text");
        }
        return field;
    }

    public static String string(JsonNode node, String name) {
        return field(node, name).asString();
    }
}
