package choir.cli;

import java.time.Duration;
import java.time.Instant;
import java.util.List;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Parameters;

@Command(name = "list", description = "Clips that are kept.")
final class ClipList extends Act {
    @Parameters(paramLabel = "SELECTION", arity = "0..*")
    private List<String> words = List.of();

    @Mixin
    private Lists listing = new Lists();

    @Override
    int run(Client service) {
        var clips = Listing.items(service.get(Client.select("/api/v1/clips", Selections.joined(words, ""))));
        listing.print(
                out(),
                clips,
                new Table(
                        "id", "camera", "label", "from", "seconds", "wanted", "unwanted", "tried", "because", "until"),
                c -> new String[] {
                    Listing.number(c, "id"),
                    Listing.text(c, "camera"),
                    Listing.text(c, "label"),
                    listing.isTable() ? Times.of(Listing.text(c, "from")) : Listing.text(c, "from"),
                    Long.toString(Duration.between(
                                    Instant.parse(Listing.text(c, "from")), Instant.parse(Listing.text(c, "until")))
                            .toSeconds()),
                    marks(c, "wanted"),
                    marks(c, "unwanted"),
                    listing.isTable() ? tried(Listing.text(c, "tried")) : Listing.text(c, "tried"),
                    Listing.text(c, "because"),
                    listing.isTable() ? Times.of(Listing.text(c, "goneAt")) : Listing.text(c, "goneAt")
                },
                "no clip is kept; take one with: choir clip take CAMERA --from TIME --because REASON");
        return Failure.DONE;
    }

    private static String tried(String when) {
        return switch (when) {
            case "now" -> "yes";
            case "before" -> "not since the policy changed";
            default -> "never";
        };
    }

    private static String marks(tools.jackson.databind.JsonNode clip, String kind) {
        return Long.toString(clip.path("marks")
                .valueStream()
                .filter(m -> Listing.text(m, "kind").equals(kind))
                .count());
    }
}
