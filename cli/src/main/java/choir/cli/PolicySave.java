package choir.cli;

import java.nio.file.Path;
import picocli.CommandLine.Command;
import picocli.CommandLine.Parameters;

@Command(name = "save", description = "Write the whole policy into a folder; loading it again changes nothing.")
final class PolicySave extends Act {
    @Parameters(paramLabel = "FOLDER")
    private Path folder = Path.of("");

    @Override
    int run(Client service) {
        var files = service.get("/api/v1/policy").path("files");
        var others = PolicyFolder.write(folder, files);
        say("wrote " + files.size() + " files into " + folder);
        others.forEach(o -> say("left alone, though a load of the folder would take it: " + o));
        return Failure.DONE;
    }
}
