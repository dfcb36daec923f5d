package choir.cli;

import java.io.PrintWriter;
import java.util.List;
import java.util.function.Function;
import picocli.CommandLine.Option;
import tools.jackson.databind.JsonNode;

/** Options and output of every list. */
final class Listing {
    enum Format {
        table,
        json,
        csv
    }

    @Option(names = "--format", description = "table, json or csv", defaultValue = "table", paramLabel = "FORMAT")
    private Format format = Format.table;

    void print(PrintWriter out, List<JsonNode> items, Table empty, Function<JsonNode, String[]> row, String none) {
        if (format == Format.json) {
            out.println(Client.JSON.writerWithDefaultPrettyPrinter().writeValueAsString(items));
            out.flush();
            return;
        }
        items.forEach(i -> empty.row(row.apply(i)));
        if (format == Format.csv) {
            empty.csv(out);
        } else if (empty.isEmpty()) {
            out.println(none);
            out.flush();
        } else {
            empty.print(out, Table.terminalWidth());
        }
    }

    /** For people. */
    boolean isTable() {
        return format == Format.table;
    }

    boolean isJson() {
        return format == Format.json;
    }

    static List<JsonNode> items(JsonNode array) {
        return array.values().stream().toList();
    }

    static String text(JsonNode node, String key) {
        return node.path(key).asString("");
    }

    static String number(JsonNode node, String key) {
        return Long.toString(node.path(key).asLong());
    }
}
