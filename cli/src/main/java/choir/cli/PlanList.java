package choir.cli;

import java.util.List;
import java.util.stream.Collectors;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import tools.jackson.databind.JsonNode;

@Command(name = "list", description = "Plans, with the next three times of each.")
final class PlanList extends Act {
    @Mixin
    private Lists listing = new Lists();

    @Override
    int run(Client service) {
        print(Listing.items(service.get("/api/v1/plans")));
        return Failure.DONE;
    }

    private void print(List<JsonNode> plans) {
        listing.print(
                out(),
                plans,
                new Table("id", "what", "of", "when", "zone", "next", "last", "trouble"),
                p -> new String[] {
                    Listing.number(p, "id"),
                    Listing.text(p, "kind")
                            + (p.hasNonNull("days")
                                    ? " of " + Texts.count(p.path("days").asInt(), "day")
                                    : "")
                            + (p.hasNonNull("mail") ? " to " + Listing.text(p, "mail") : ""),
                    Listing.text(p, "select").isEmpty() ? "everything" : Listing.text(p, "select"),
                    Listing.text(p, "words"),
                    Listing.text(p, "zone"),
                    next(p),
                    Times.of(Listing.text(p, "lastAt")),
                    Listing.text(p, "trouble")
                },
                "nothing is planned; plan an audit with: choir audit plan add \"20 2 * * *\"");
    }

    static String next(JsonNode plan) {
        return plan.path("next").values().stream()
                .map(n -> Times.of(n.asString("")))
                .collect(Collectors.joining(", "));
    }
}
