package choir.cli;

import java.util.List;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import tools.jackson.databind.JsonNode;

@Command(name = "list", description = "The tree with counts; a group counts all cameras below it.")
final class GroupList extends Act {
    @Mixin
    private Lists listing = new Lists();

    @Override
    int run(Client service) {
        listing.print(out(), Listing.items(service.get("/api/v1/groups")), heads(), GroupList::row, "no group");
        return Failure.DONE;
    }

    private static Table heads() {
        return new Table("group", "cameras", "in tune", "drifted", "waiting", "not read");
    }

    static Table table(List<JsonNode> groups) {
        var table = heads();
        groups.forEach(g -> table.row(row(g)));
        return table;
    }

    private static String[] row(JsonNode g) {
        return new String[] {
            Listing.text(g, "group"),
            Listing.number(g, "cameras"),
            Listing.number(g, "inTune"),
            Listing.number(g, "drifted"),
            Listing.number(g, "waiting"),
            Listing.number(g, "unknown")
        };
    }
}
