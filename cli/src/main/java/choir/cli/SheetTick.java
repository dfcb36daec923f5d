package choir.cli;

import java.util.List;
import java.util.Map;
import picocli.CommandLine.Command;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;

@Command(name = "tick", description = "Say which steps of a work sheet were done; they then count as observed by hand.")
final class SheetTick extends Act {
    @Parameters(index = "0", paramLabel = "RECORDER")
    private String recorder = "";

    @Parameters(
            index = "1..*",
            paramLabel = "STEP",
            description = "numbers of the steps; all of them when none is named")
    private List<Integer> steps = List.of();

    @Option(names = "--version", required = true, description = "of the sheet that was worked from; it stands on it")
    private String version = "";

    @Override
    int run(Client service) {
        var ticked = service.post(
                "/api/v1/recorders/" + Client.encode(recorder) + "/sheet/ticks",
                Map.of("version", version, "steps", steps));
        say(Listing.number(ticked, "settings") + " settings of " + recorder + " count as observed by hand");
        return Failure.DONE;
    }
}
