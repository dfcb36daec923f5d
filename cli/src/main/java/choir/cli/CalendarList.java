package choir.cli;

import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;

@Command(name = "list", description = "All calendars and what speaks of them.")
final class CalendarList extends Act {
    @Mixin
    private Lists listing = new Lists();

    @Override
    int run(Client service) {
        listing.print(
                out(),
                Listing.items(service.get("/api/v1/calendars")),
                new Table("calendar", "title", "dates", "used by"),
                c -> new String[] {
                    Listing.text(c, "name"),
                    Listing.text(c, "title"),
                    Selections.list(c.path("dates")),
                    Selections.list(c.path("usedBy"))
                },
                "no calendar yet; make one with: choir calendar edit NAME");
        return Failure.DONE;
    }
}
