package choir.cli;

import java.util.List;
import java.util.Map;
import picocli.CommandLine.Command;
import picocli.CommandLine.Parameters;

@Command(
        name = "read",
        description =
                "Ask recorders what they recorded on the days that are not known yet, and compare it with the policy.",
        footer = "Done each night by itself; at other times by: choir audit plan add --activity \"40 12 * * *\"")
final class ActivityRead extends Act {
    @Parameters(paramLabel = "SELECTION", arity = "0..*", description = "everything if not said")
    private List<String> words = List.of();

    @Override
    int run(Client service) {
        var select = Selections.joined(words, "");
        var ended = finish(service, service.post("/api/v1/activity/readings", Map.of("select", select)));
        say(Listing.text(ended, "note"));
        return switch (Listing.text(ended, "state")) {
            case "done" -> Failure.DONE;
            case "partly" -> Failure.FOUND;
            default -> Failure.FAILED;
        };
    }
}
