package choir.cli;

import java.io.PrintWriter;
import java.util.List;
import java.util.function.Function;
import java.util.function.Supplier;
import picocli.CommandLine.Option;
import tools.jackson.databind.JsonNode;

/** Options and output of what is shown to people and programs. */
class Listing {
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
        if (format == Format.csv) {
            Records.print(out, items);
            return;
        }
        items.forEach(i -> empty.row(row.apply(i)));
        if (empty.isEmpty()) {
            out.println(none);
            out.flush();
        } else {
            empty.print(out, Table.terminalWidth());
        }
    }

    /**
     * An answer for programs.
     *
     * @param items of it, for a form that knows rows alone
     * @return whether that was asked for, so that there is nothing more to print
     */
    boolean isForPrograms(PrintWriter out, JsonNode whole, Supplier<List<JsonNode>> items) {
        switch (format) {
            case table -> {
                return false;
            }
            case json ->
                out.println(Client.JSON.writerWithDefaultPrettyPrinter().writeValueAsString(whole));
            case csv -> Records.print(out, items.get());
        }
        out.flush();
        return true;
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
