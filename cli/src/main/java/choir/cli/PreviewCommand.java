package choir.cli;

import java.util.List;
import java.util.Map;
import picocli.CommandLine.Command;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;

@Command(name = "preview", description = "What a rollout would change at the recorders, old to new, before it is done.")
final class PreviewCommand extends Act {
    @Parameters(paramLabel = "SELECTION", arity = "0..*")
    private List<String> words = List.of();

    @Option(names = "--format", description = "table or json", defaultValue = "table", paramLabel = "FORMAT")
    private String format = "table";

    @Option(names = "--all", description = "each camera with each of its changes, and not equal changes once")
    private boolean all;

    @Override
    int run(Client service) {
        var preview = service.post("/api/v1/previews", Map.of("select", Selections.joined(words, "")));
        if (format.equals("json")) {
            say(Client.JSON.writerWithDefaultPrettyPrinter().writeValueAsString(preview));
        } else {
            PreviewText.print(out(), preview, all);
        }
        return preview.path("cameras").isEmpty() ? Failure.DONE : Failure.FOUND;
    }
}
