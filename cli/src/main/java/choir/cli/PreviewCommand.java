package choir.cli;

import java.util.List;
import java.util.Map;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;
import tools.jackson.databind.JsonNode;

@Command(name = "preview", description = "What a rollout would change at the recorders, old to new, before it is done.")
final class PreviewCommand extends Act {
    @Parameters(paramLabel = "SELECTION", arity = "0..*")
    private List<String> words = List.of();

    @Mixin
    private Listing listing = new Listing();

    @Option(names = "--all", description = "each camera with each of its changes, and not equal changes once")
    private boolean all;

    @Option(names = "--summary", description = "what it comes to, and how many of which setting")
    private boolean summary;

    @Override
    int run(Client service) {
        var preview = service.post("/api/v1/previews", Map.of("select", Selections.joined(words, "")));
        if (!listing.isForPrograms(out(), preview, () -> changes(preview))) {
            var detail = all ? PreviewText.Detail.ALL : PreviewText.Detail.FOLDED;
            PreviewText.print(out(), preview, summary ? PreviewText.Detail.SUMMARY : detail);
        }
        return preview.path("cameras").isEmpty() ? Failure.DONE : Failure.FOUND;
    }

    private static List<JsonNode> changes(JsonNode preview) {
        return preview.path("cameras")
                .valueStream()
                .flatMap(c -> Records.under(c, List.of("camera", "label", "family"), "changes").stream())
                .toList();
    }
}
