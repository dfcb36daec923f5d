package choir.cli;

import java.io.PrintWriter;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.stream.Collectors;
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

    /**
     * What is said of several in the same words, but for the numbers in them, is said once, where it was first worst; numbers
     * that differ stand there as the least and the most. What ought to be is the same for all of a line, so that no scale of one
     * make is mixed with that of another.
     */
    static void folded(PrintWriter out, List<JsonNode> findings) {
        boolean given = findings.stream().anyMatch(f -> f.hasNonNull("assignedTo"));
        var table = given
                ? new Table("ids", "severity", "where", "label", "what", "since", "with")
                : new Table("ids", "severity", "where", "label", "what", "since");
        var groups = findings.stream()
                .collect(Collectors.groupingBy(
                        f -> List.of(
                                Listing.text(f, "severity"),
                                Spread.pattern(Listing.text(f, "sentence")),
                                Listing.text(f, "assignedTo"),
                                Listing.text(f, "desired")),
                        LinkedHashMap::new,
                        Collectors.toList()));
        groups.forEach((said, all) -> {
            List<String> cells = new ArrayList<>(List.of(
                    ids(all),
                    said.get(0).toLowerCase(Locale.ROOT),
                    where(all.getFirst()) + (all.size() == 1 ? "" : " and " + (all.size() - 1) + " more"),
                    all.size() == 1 ? Listing.text(all.getFirst(), "label") : "",
                    Spread.of(all.stream().map(f -> Listing.text(f, "sentence")).toList()),
                    Times.of(all.stream()
                            .map(f -> Listing.text(f, "firstSeen"))
                            .min(Comparator.naturalOrder())
                            .orElse(""))));
            if (given) {
                cells.add(said.get(2));
            }
            table.row(cells.toArray(String[]::new));
        });
        table.print(out, Table.terminalWidth());
        if (groups.size() < findings.size()) {
            out.println(findings.size() + " findings in " + Texts.count(groups.size(), "line")
                    + "; --all shows each on its own, --summary counts by cause");
            out.flush();
        }
    }

    /** All of them where they follow each other; else the first, since what shares a line is chosen by its cause or setting. */
    private static String ids(List<JsonNode> findings) {
        var numbers = findings.stream().map(f -> f.path("id").asLong()).sorted().toList();
        long first = numbers.getFirst();
        long last = numbers.getLast();
        if (last - first == numbers.size() - 1) {
            return first == last ? Long.toString(first) : first + "-" + last;
        }
        return first + " and " + (numbers.size() - 1) + " more";
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
