package choir.cli;

import java.io.PrintWriter;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Collectors;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ObjectNode;
import tools.jackson.dataformat.csv.CsvMapper;
import tools.jackson.dataformat.csv.CsvSchema;

/**
 * Answers of the service as comma-separated values (RFC 4180) for programs: a column for each key, under the very name that
 * it has in JSON, with instants, numbers and codes as they are there. What is an object within becomes {@code outer.inner},
 * a list of words one cell. Text that a spreadsheet would take for a formula gets a quote before it.
 */
final class Records {
    private Records() {}

    static void print(PrintWriter out, List<JsonNode> items) {
        List<Map<String, String>> rows = new ArrayList<>();
        Set<String> columns = new LinkedHashSet<>();
        for (var item : items) {
            Map<String, String> row = new LinkedHashMap<>();
            flatten("", item, row);
            columns.addAll(row.keySet());
            rows.add(row);
        }
        if (columns.isEmpty()) {
            return;
        }
        var schema = CsvSchema.builder()
                .addColumns(columns, CsvSchema.ColumnType.STRING)
                .build()
                .withHeader();
        out.print(CsvMapper.builder().build().writer(schema).writeValueAsString(rows));
        out.flush();
    }

    /** Each of some parts with what it is a part of beside it. */
    static List<JsonNode> under(JsonNode whole, List<String> keys, String part) {
        List<JsonNode> rows = new ArrayList<>();
        for (var one : whole.path(part)) {
            ObjectNode row = Client.JSON.createObjectNode();
            keys.stream().filter(whole::hasNonNull).forEach(key -> row.set(key, whole.get(key)));
            if (one instanceof ObjectNode object) {
                row.setAll(object);
            }
            rows.add(row);
        }
        return rows;
    }

    /** What stands in several lists of one answer, each with the list that it is from as its {@code kind}. */
    static List<JsonNode> kinds(JsonNode whole, String... lists) {
        List<JsonNode> rows = new ArrayList<>();
        for (var kind : lists) {
            for (var one : whole.path(kind)) {
                ObjectNode row = Client.JSON.createObjectNode().put("kind", kind);
                rows.add(one instanceof ObjectNode object ? row.setAll(object) : row);
            }
        }
        return rows;
    }

    /** An answer without the lists in it, which other commands give as rows. */
    static JsonNode figures(JsonNode whole) {
        ObjectNode row = Client.JSON.createObjectNode();
        whole.forEachEntry((key, value) -> {
            if (!value.isArray()) {
                row.set(key, value);
            }
        });
        return row;
    }

    private static void flatten(String name, JsonNode node, Map<String, String> row) {
        if (node.isObject()) {
            node.forEachEntry((key, value) -> flatten(name.isEmpty() ? key : name + "." + key, value, row));
        } else if (node.isArray()) {
            boolean words = node.valueStream().noneMatch(JsonNode::isContainer);
            row.put(
                    name,
                    words
                            ? safe(node.valueStream().map(n -> n.asString("")).collect(Collectors.joining(", ")))
                            : node.toString());
        } else if (node.isString()) {
            row.put(name, safe(node.asString("")));
        } else if (!node.isNull()) {
            row.put(name, node.asString(""));
        }
    }

    private static String safe(String text) {
        return !text.isEmpty() && "=+-@\t\r".indexOf(text.charAt(0)) >= 0 ? "'" + text : text;
    }
}
