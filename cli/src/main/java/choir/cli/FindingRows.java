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
     * that differ stand there as the least and the most.
     */
    static void folded(PrintWriter out, List<JsonNode> findings) {
        var table = new Table("ids", "severity", "where", "label", "what", "since", "with");
        var groups = findings.stream()
                .collect(Collectors.groupingBy(
                        f -> List.of(
                                Listing.text(f, "severity"),
                                Spread.pattern(Listing.text(f, "sentence")),
                                Listing.text(f, "assignedTo")),
                        LinkedHashMap::new,
                        Collectors.toList()));
        groups.forEach((said, all) -> table.row(
                ids(all),
                said.get(0).toLowerCase(Locale.ROOT),
                Texts.names(all.stream().map(FindingRows::where).toList()),
                all.size() == 1 ? Listing.text(all.getFirst(), "label") : "",
                Spread.of(all.stream().map(f -> Listing.text(f, "sentence")).toList()),
                Times.of(all.stream()
                        .map(f -> Listing.text(f, "firstSeen"))
                        .min(Comparator.naturalOrder())
                        .orElse("")),
                said.get(2)));
        table.print(out, Table.terminalWidth());
        if (groups.size() < findings.size()) {
            out.println(findings.size() + " findings in " + Texts.count(groups.size(), "line")
                    + "; --all shows each on its own, --summary counts by cause");
            out.flush();
        }
    }

    /** Numbers that follow each other as first and last; of many stretches the first few, since each stands under {@code --all}. */
    private static String ids(List<JsonNode> findings) {
        var numbers = findings.stream().map(f -> f.path("id").asLong()).sorted().toList();
        List<String> words = new ArrayList<>();
        for (int from = 0; from < numbers.size(); ) {
            int to = from;
            while (to + 1 < numbers.size() && numbers.get(to + 1) == numbers.get(to) + 1) {
                to++;
            }
            words.add(to == from ? numbers.get(from).toString() : numbers.get(from) + "-" + numbers.get(to));
            from = to + 1;
        }
        return Texts.names(words);
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
