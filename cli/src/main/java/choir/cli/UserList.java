package choir.cli;

import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;

@Command(name = "list", description = "People and their roles.")
final class UserList extends Act {
    @Mixin
    private Lists listing = new Lists();

    @Override
    int run(Client service) {
        listing.print(
                out(),
                Listing.items(service.get("/api/v1/people")),
                new Table("name", "roles", "since", "password", "tokens"),
                p -> new String[] {
                    Listing.text(p, "name"),
                    Roles.words(p),
                    Times.of(Listing.text(p, "createdAt")),
                    p.path("ofTheOrganisation").asBoolean()
                            ? "the organisation's account"
                            : p.hasNonNull("oneTimeUntil")
                                    ? "invited until " + Times.of(Listing.text(p, "oneTimeUntil"))
                                    : p.path("oneTime").asBoolean()
                                            ? "one-time, not replaced yet"
                                            : p.path("secondFactor").asBoolean() ? "own, and a code" : "own",
                    Listing.number(p, "tokens")
                },
                "nobody");
        return Failure.DONE;
    }
}
