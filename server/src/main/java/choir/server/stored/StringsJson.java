package choir.server.stored;

import java.util.Collection;
import java.util.List;
import tools.jackson.databind.JsonNode;

/** A list of texts, such as tags. */
public final class StringsJson {
    private static final int VERSION = 1;

    private StringsJson() {}

    public static String write(Collection<String> texts) {
        var array = Json.array();
        texts.forEach(array::add);
        var object = Json.versioned(VERSION);
        object.set("texts", array);
        return Json.text(object);
    }

    /** @throws Json.UnreadableException when it is none of ours */
    public static List<String> read(String text) {
        return Json.read(text, VERSION, node -> Json.list(Json.field(node, "texts"), JsonNode::asString));
    }
}
