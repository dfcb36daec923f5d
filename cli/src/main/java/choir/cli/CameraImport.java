package choir.cli;

import java.nio.file.Path;
import java.util.Map;
import picocli.CommandLine.Command;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;

@Command(
        name = "import",
        description = "Take groups and tags of cameras from CSV: all lines, or none with a report of what is wrong.")
final class CameraImport extends Act {
    @Parameters(paramLabel = "FILE", description = "with the columns camera, group, tags; see: choir camera export")
    private Path file = Path.of("");

    @Option(names = "--new-groups", description = "make groups that are named and not there; otherwise that is a fault")
    private boolean newGroups;

    @Override
    int run(Client service) {
        var lines = CameraCsv.read(Texts.read(file));
        var placed = service.post("/api/v1/placings", Map.of("lines", lines, "newGroups", newGroups));
        say(Texts.count(lines.size(), "camera") + " read, "
                + placed.path("changed").asInt() + " changed");
        return Failure.DONE;
    }
}
