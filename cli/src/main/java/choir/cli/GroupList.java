package choir.cli;

import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;

@Command(name = "list", description = "The tree with counts; a group counts all cameras below it.")
final class GroupList extends Act {
    @Mixin
    private Listing listing = new Listing();

    @Override
    int run(Client service) {
        listing.print(
                out(),
                Listing.items(service.get("/api/v1/groups")),
                new Table("group", "cameras", "in tune", "drifted", "waiting", "not read"),
                g -> new String[] {
                    Listing.text(g, "group"),
                    Listing.number(g, "cameras"),
                    Listing.number(g, "inTune"),
                    Listing.number(g, "drifted"),
                    Listing.number(g, "waiting"),
                    Listing.number(g, "unknown")
                },
                "no group");
        return Failure.DONE;
    }
}
