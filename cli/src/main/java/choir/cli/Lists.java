package choir.cli;

import java.io.PrintWriter;
import java.util.Comparator;
import java.util.List;
import java.util.TreeSet;
import java.util.function.Function;
import picocli.CommandLine.Option;
import tools.jackson.databind.JsonNode;

/** Options and output of a list that may be long: in another order, and only so much of it. */
final class Lists extends Listing {
    private static final List<String> WORSE = List.of("LOW", "MEDIUM", "HIGH");

    @Option(
            names = "--sort",
            paramLabel = "COLUMN",
            description = "in the order of this column, as JSON and CSV call it; -COLUMN from the last to the first",
            defaultValue = "")
    private String sort = "";

    @Option(names = "--limit", paramLabel = "COUNT", description = "only so many, the first", defaultValue = "-1")
    private int limit = -1;

    @Override
    void print(PrintWriter out, List<JsonNode> items, Table empty, Function<JsonNode, String[]> row, String none) {
        super.print(out, arranged(items), empty, row, none);
    }

    /**
     * A list that the service itself puts in order: no more of it is fetched than asked for.
     *
     * @param path without sort and limit
     */
    void print(
            PrintWriter out, Client service, String path, Table empty, Function<JsonNode, String[]> row, String none) {
        var inOrder = sort.isEmpty() ? path : path + (path.contains("?") ? "&" : "?") + "sort=" + Client.encode(sort);
        super.print(out, service.first(limit < 0 ? Integer.MAX_VALUE : limit, inOrder), empty, row, none);
    }

    /** In the order asked for, what has no value there last, and no more than asked for. */
    List<JsonNode> arranged(List<JsonNode> items) {
        var ordered = sort.isEmpty() || items.isEmpty() ? items : ordered(items);
        return limit < 0 || limit >= ordered.size() ? ordered : ordered.subList(0, limit);
    }

    private List<JsonNode> ordered(List<JsonNode> items) {
        var key = sort.startsWith("-") ? sort.substring(1) : sort;
        var columns = new TreeSet<String>();
        items.forEach(i -> columns.addAll(i.propertyNames()));
        if (!columns.contains(key)) {
            throw new Failure(
                    Failure.WRONG_USAGE,
                    "there is no column \"" + key + "\" to sort by; there are " + String.join(", ", columns));
        }
        Comparator<JsonNode> byValue = (a, b) -> compare(a.path(key), b.path(key));
        return items.stream()
                .sorted(Comparator.comparing((JsonNode i) -> !i.hasNonNull(key))
                        .thenComparing(sort.startsWith("-") ? byValue.reversed() : byValue))
                .toList();
    }

    private static int compare(JsonNode a, JsonNode b) {
        if (a.isNumber() && b.isNumber()) {
            return a.decimalValue().compareTo(b.decimalValue());
        }
        var one = a.isValueNode() ? a.asString("") : a.toString();
        var other = b.isValueNode() ? b.asString("") : b.toString();
        return WORSE.contains(one) && WORSE.contains(other)
                ? WORSE.indexOf(one) - WORSE.indexOf(other)
                : one.compareToIgnoreCase(other);
    }
}
