package choir.cli;

import java.util.List;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;

@Command(name = "history", description = "How many findings there were, day by day.")
final class AuditHistory extends Act {
    @Parameters(paramLabel = "SELECTION", arity = "0..*")
    private List<String> words = List.of();

    @Option(names = "--days", defaultValue = "14", paramLabel = "DAYS", description = "how many days, today included")
    private int days = 14;

    @Mixin
    private Lists listing = new Lists();

    @Override
    int run(Client service) {
        var trend = Listing.items(service.get(
                "/api/v1/findings/trend?days=" + days + "&select=" + Client.encode(Selections.joined(words, ""))));
        listing.print(
                out(),
                trend,
                new Table("day", "new", "ended", "open at its end", "high", "medium", "low"),
                d -> new String[] {
                    Listing.text(d, "date"),
                    Listing.number(d, "opened"),
                    Listing.number(d, "ended"),
                    Long.toString(d.path("high").asLong()
                            + d.path("medium").asLong()
                            + d.path("low").asLong()),
                    Listing.number(d, "high"),
                    Listing.number(d, "medium"),
                    Listing.number(d, "low")
                },
                "no day");
        return Failure.DONE;
    }
}
