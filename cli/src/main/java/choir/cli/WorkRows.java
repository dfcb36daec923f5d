package choir.cli;

import tools.jackson.databind.JsonNode;

/** Long work as rows of a table. */
final class WorkRows {
    private WorkRows() {}

    static Table table() {
        return new Table("id", "started", "by", "selection", "state", "note");
    }

    static String[] row(JsonNode work) {
        var selection = Listing.text(work, "selection");
        return new String[] {
            Listing.number(work, "id"),
            Times.of(Listing.text(work, "createdAt")),
            Listing.text(work, "who"),
            selection.isEmpty() ? "all" : selection,
            Listing.text(work, "state"),
            Listing.text(work, "note")
        };
    }
}
