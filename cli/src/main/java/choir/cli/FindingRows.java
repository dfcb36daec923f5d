package choir.cli;

import java.io.PrintWriter;
import java.util.List;
import java.util.Locale;
import tools.jackson.databind.JsonNode;

/** Findings as rows of a table. */
final class FindingRows {
    private FindingRows() {}

    static void print(PrintWriter out, Listing listing, List<JsonNode> findings, String none) {
        listing.print(
                out,
                findings,
                new Table("id", "severity", "where", "label", "what", "since"),
                f -> new String[] {
                    Listing.number(f, "id"),
                    Listing.text(f, "severity").toLowerCase(Locale.ROOT),
                    f.has("camera") ? Listing.text(f, "camera") : Listing.text(f, "recorder"),
                    Listing.text(f, "label"),
                    Listing.text(f, "sentence"),
                    Times.of(Listing.text(f, "firstSeen"))
                },
                none);
    }
}
