package choir.cli;

import java.util.ArrayList;
import java.util.List;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Option;
import tools.jackson.databind.JsonNode;

@Command(name = "journal", description = "Who did what, when and why, the newest first.")
final class JournalCommand extends Act {
    private static final int PAGE = 1000;

    @Option(
            names = "--about",
            paramLabel = "NAME",
            defaultValue = "",
            description = "of one camera, group, template, recorder or calendar alone")
    private String about = "";

    @Option(names = "--limit", paramLabel = "COUNT", defaultValue = "50", description = "only so many; 50 if not said")
    private int limit = 50;

    @Option(names = "--all", description = "every entry that is kept")
    private boolean all;

    @Mixin
    private Listing listing = new Listing();

    @Override
    int run(Client service) {
        if (limit < 1) {
            throw new Failure(Failure.WRONG_USAGE, "--limit is 1 or more, not " + limit);
        }
        listing.print(
                out(),
                newest(service, all ? Integer.MAX_VALUE : limit),
                new Table("when", "who", "did", "to", "detail"),
                e -> new String[] {
                    Times.of(Listing.text(e, "at")),
                    Listing.text(e, "who"),
                    Listing.text(e, "act"),
                    Listing.text(e, "subject"),
                    Listing.text(e, "detail")
                },
                about.isEmpty() ? "nothing was done yet" : "nothing was done to " + about);
        return Failure.DONE;
    }

    private List<JsonNode> newest(Client service, int most) {
        List<JsonNode> entries = new ArrayList<>();
        while (entries.size() < most) {
            int wanted = Math.min(PAGE, most - entries.size());
            var before = entries.isEmpty() ? "" : "&before=" + Listing.number(entries.getLast(), "id");
            var page = Listing.items(
                    service.get("/api/v1/journal?limit=" + wanted + "&about=" + Client.encode(about) + before));
            entries.addAll(page);
            if (page.size() < wanted) {
                break;
            }
        }
        return entries;
    }
}
