package choir.cli;

import java.util.List;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;

@Command(name = "list", description = "Findings, the worst first.")
final class FindingList extends Act {
    @Parameters(paramLabel = "SELECTION", arity = "0..*")
    private List<String> words = List.of();

    @Mixin
    private FindingChoice choice = new FindingChoice();

    @Option(names = "--accepted", description = "those that somebody left as they are until a date")
    private boolean accepted;

    @Option(names = "--all", description = "each on a line of its own, and not equal ones once")
    private boolean all;

    @Option(names = "--summary", description = "how many of which cause, and nothing of each")
    private boolean summary;

    @Mixin
    private Lists listing = new Lists();

    @Override
    int run(Client service) {
        var query = choice.query(String.join(" ", words));
        if (summary) {
            return FindingGroups.show(service, "cause", query, out(), listing);
        }
        if (accepted) {
            var left = service.all("/api/v1/findings?state=accepted&" + query);
            FindingRows.accepted(out(), listing, left);
            return Failure.DONE;
        }
        var findings = service.all("/api/v1/findings?" + query);
        if (listing.isTable() && !all && !findings.isEmpty()) {
            FindingRows.folded(out(), listing.arranged(findings));
            return Failure.FOUND;
        }
        FindingRows.print(
                out(),
                listing,
                findings,
                query.isEmpty() ? "nothing is out of tune as of the last audit" : "no open finding is like that");
        return findings.isEmpty() ? Failure.DONE : Failure.FOUND;
    }
}
