package choir.cli;

import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;

@Command(name = "list", description = "Your tokens; their text was shown once and is not kept.")
final class TokenList extends Act {
    @Mixin
    private Listing listing = new Listing();

    @Override
    int run(Client service) {
        listing.print(
                out(),
                Listing.items(service.get("/api/v1/tokens")),
                new Table("id", "label", "made"),
                t -> new String[] {
                    Listing.number(t, "id"), Listing.text(t, "label"), Times.of(Listing.text(t, "createdAt"))
                },
                "no token");
        return Failure.DONE;
    }
}
