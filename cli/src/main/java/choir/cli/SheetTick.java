package choir.cli;

import java.nio.file.Path;
import java.util.List;
import java.util.Map;
import org.jspecify.annotations.Nullable;
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

    @Option(names = "--version", description = "of the sheet that was worked from; it stands on it")
    private @Nullable String version;

    @Option(names = "--by", paramLabel = "PERSON", description = "who did it, when it was not you")
    private String by = "";

    @Option(
            names = "--file",
            paramLabel = "FILE",
            description = "a sheet as CSV in which something stands under \"done\"; it says version, steps and name")
    private @Nullable Path file;

    @Override
    int run(Client service) {
        if ((file == null) == (version == null)) {
            throw new Failure(Failure.WRONG_USAGE, "say --version and the steps, or --file");
        }
        var done = file == null
                ? new SheetCsv.Ticked(String.valueOf(version), steps, by)
                : SheetCsv.read(Texts.read(file));
        var ticked = service.post(
                "/api/v1/recorders/" + Client.encode(recorder) + "/sheet/ticks",
                Map.of("version", done.version(), "steps", done.steps(), "by", by.isEmpty() ? done.by() : by));
        say(Listing.number(ticked, "settings") + " settings of " + recorder + " count as observed by hand");
        return Failure.DONE;
    }
}
