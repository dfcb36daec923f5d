package choir.cli;

import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import tools.jackson.databind.JsonNode;

@Command(name = "inbox", description = "What waits for you: to be let go, to be seen to, or ended badly.")
final class InboxCommand extends Act {
    @Mixin
    private Lists listing = new Lists();

    @Override
    int run(Client service) {
        listing.print(
                out(),
                Listing.items(service.get("/api/v1/inbox")),
                new Table("since", "what", "next"),
                item -> new String[] {Times.of(Listing.text(item, "since")), Listing.text(item, "sentence"), next(item)
                },
                "nothing waits for you");
        return Failure.DONE;
    }

    private static String next(JsonNode item) {
        return switch (Listing.text(item, "kind")) {
            case "approve" -> "choir rollout approve " + Listing.number(item, "work");
            case "rollout" -> "choir rollout show " + Listing.number(item, "work");
            case "finding" -> "choir finding show " + Listing.number(item, "finding");
            case "plan" -> "choir audit plan list";
            default -> "";
        };
    }
}
