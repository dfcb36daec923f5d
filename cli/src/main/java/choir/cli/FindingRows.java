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
                new Table("id", "severity", "where", "label", "what", "since", "with"),
                f -> new String[] {
                    Listing.number(f, "id"),
                    Listing.text(f, "severity").toLowerCase(Locale.ROOT),
                    where(f),
                    Listing.text(f, "label"),
                    Listing.text(f, "sentence"),
                    Times.of(Listing.text(f, "firstSeen")),
                    Listing.text(f, "assignedTo")
                },
                none);
    }

    static void accepted(PrintWriter out, Listing listing, List<JsonNode> findings) {
        listing.print(
                out,
                findings,
                new Table("id", "severity", "where", "label", "what", "until"),
                f -> new String[] {
                    Listing.number(f, "id"),
                    Listing.text(f, "severity").toLowerCase(Locale.ROOT),
                    where(f),
                    Listing.text(f, "label"),
                    Listing.text(f, "sentence"),
                    Listing.text(f, "acceptedUntil")
                },
                "nothing is accepted now");
    }

    private static String where(JsonNode finding) {
        return Listing.text(finding, finding.has("camera") ? "camera" : "recorder");
    }
}
