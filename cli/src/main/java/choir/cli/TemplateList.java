package choir.cli;

import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;

@Command(name = "list", description = "All templates and where they are used.")
final class TemplateList extends Act {
    @Mixin
    private Lists listing = new Lists();

    @Override
    int run(Client service) {
        listing.print(
                out(),
                Listing.items(service.get("/api/v1/templates")),
                new Table("template", "revision", "title", "extends", "used at", "by", "at"),
                t -> new String[] {
                    Listing.text(t, "name"),
                    Listing.number(t, "revision"),
                    Listing.text(t, "title"),
                    Listing.text(t, "base"),
                    Selections.list(t.path("usedAt")),
                    Listing.text(t, "author"),
                    Times.of(Listing.text(t, "at"))
                },
                "no template yet; make one with: choir template new FILE");
        return Failure.DONE;
    }
}
