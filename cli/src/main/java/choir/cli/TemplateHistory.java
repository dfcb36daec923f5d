package choir.cli;

import java.util.List;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Parameters;
import tools.jackson.databind.JsonNode;

@Command(name = "history", description = "The revisions of a template, the newest first.")
final class TemplateHistory extends Act {
    @Parameters(paramLabel = "TEMPLATE")
    private String name = "";

    @Mixin
    private Lists listing = new Lists();

    @Override
    int run(Client service) {
        listing.print(
                out(),
                revisions(service, name),
                new Table("revision", "by", "at"),
                r -> new String[] {
                    Listing.number(r, "revision"), Listing.text(r, "author"), Times.of(Listing.text(r, "at"))
                },
                "no revision");
        return Failure.DONE;
    }

    static List<JsonNode> revisions(Client service, String name) {
        return Listing.items(service.get("/api/v1/templates/" + Client.encode(name) + "/revisions"));
    }
}
