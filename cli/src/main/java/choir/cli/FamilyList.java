package choir.cli;

import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;

@Command(name = "list", description = "All families, those made from what a recorder said of itself included.")
final class FamilyList extends Act {
    @Mixin
    private Lists listing = new Lists();

    @Override
    int run(Client service) {
        listing.print(
                out(),
                Listing.items(service.get("/api/v1/families")),
                new Table("family", "title", "maker", "model", "settings", "comes from"),
                f -> new String[] {
                    Listing.text(f, "name"),
                    Listing.text(f, "title"),
                    Listing.text(f, "maker"),
                    Listing.text(f, "model"),
                    Integer.toString(f.path("settings").size()),
                    f.path("shipped").asBoolean() ? "Choir" : "here"
                },
                "no family");
        return Failure.DONE;
    }
}
