package choir.cli;

import java.util.stream.Collectors;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;

@Command(name = "list", description = "Which tables there are, with their columns.")
final class ExportList extends Act {
    @Mixin
    private Lists listing = new Lists();

    @Override
    int run(Client service) {
        listing.print(
                out(),
                Listing.items(service.get("/api/v1/exports")),
                new Table("table", "of", "columns"),
                t -> new String[] {
                    Listing.text(t, "name"),
                    t.path("ofPast").asBoolean() ? "any day" : "today",
                    t.path("columns").valueStream().map(c -> c.asString("")).collect(Collectors.joining(" "))
                },
                "there is none");
        return Failure.DONE;
    }
}
