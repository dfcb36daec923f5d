package choir.cli;

import java.util.ArrayList;
import java.util.List;
import org.jspecify.annotations.Nullable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Option;

@Command(
        name = "copy",
        description = "Give cameras the settings of one that is good, as overrides with a reason.",
        footer = "Sensitivity, threshold and areas depend on the scene and stay behind unless --settings names them.")
final class CopyCommand extends Act {
    @Option(names = "--from", required = true, paramLabel = "CAMERA", description = "whose words are taken")
    private String from = "";

    @Option(names = "--to", required = true, paramLabel = "SELECTION", description = "which cameras get them")
    private String to = "";

    @Option(
            names = "--settings",
            split = ",",
            paramLabel = "KEY",
            description = "such as recording.week; several with commas")
    private List<String> settings = new ArrayList<>();

    @Option(names = "--because", required = true, paramLabel = "REASON", description = "why they differ there")
    private String because = "";

    @Option(names = "--until", paramLabel = "DATE", description = "the last day on which it counts")
    private @Nullable String until;

    @Override
    int run(Client service) {
        var body = Client.body();
        body.put("from", from);
        body.put("select", to);
        body.put("settings", settings);
        body.put("because", because);
        if (until != null) {
            body.put("until", until);
        }
        var copied = service.post("/api/v1/copies", body);
        say("copied " + Selections.list(copied.path("settings")) + " to "
                + copied.path("cameras").asInt() + " cameras; see what it does with: choir preview");
        if (!copied.path("leftBehind").isEmpty()) {
            say("left behind, since scenes differ: " + Selections.list(copied.path("leftBehind")));
        }
        copied.path("warnings").forEach(w -> say("warning: " + w.asString("")));
        return Failure.DONE;
    }
}
