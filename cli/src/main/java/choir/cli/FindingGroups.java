package choir.cli;

import java.io.PrintWriter;
import java.util.List;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;

@Command(name = "groups", description = "Open findings that share something, each group on one line.")
final class FindingGroups extends Act {
    @Parameters(paramLabel = "SELECTION", arity = "0..*")
    private List<String> words = List.of();

    @Option(
            names = "--by",
            defaultValue = "cause",
            paramLabel = "WHAT",
            description = "cause, recorder, group, setting or person")
    private String by = "cause";

    @Mixin
    private FindingChoice choice = new FindingChoice();

    @Mixin
    private Lists listing = new Lists();

    @Override
    int run(Client service) {
        return show(service, by, choice.query(String.join(" ", words)), out(), listing);
    }

    /** How many of which, and nothing of each. */
    static int show(Client service, String by, String query, PrintWriter out, Listing listing) {
        var groups = Listing.items(service.get("/api/v1/findings/groups?by=" + Client.encode(by) + "&" + query));
        listing.print(
                out,
                groups,
                new Table(by, "findings", "cameras", "high", "medium", "low", "since"),
                g -> new String[] {
                    Listing.text(g, "name").isEmpty() ? "none" : Listing.text(g, "name"),
                    Listing.number(g, "findings"),
                    Listing.number(g, "cameras"),
                    Listing.number(g, "high"),
                    Listing.number(g, "medium"),
                    Listing.number(g, "low"),
                    Times.of(Listing.text(g, "oldest"))
                },
                "no open finding is like that");
        return groups.isEmpty() ? Failure.DONE : Failure.FOUND;
    }
}
