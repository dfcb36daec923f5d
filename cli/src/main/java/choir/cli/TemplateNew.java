package choir.cli;

import java.nio.file.Path;
import java.util.Map;
import picocli.CommandLine.Command;
import picocli.CommandLine.Parameters;

@Command(name = "new", description = "Make a template from a policy file.")
final class TemplateNew extends Act {
    @Parameters(paramLabel = "FILE")
    private Path file = Path.of("");

    @Override
    int run(Client service) {
        var made = service.post("/api/v1/templates", Map.of("text", Texts.read(file)));
        say("made " + Listing.text(made, "name") + "; use it with: choir use " + Listing.text(made, "name")
                + " --on GROUP");
        return Failure.DONE;
    }
}
