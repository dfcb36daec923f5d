package choir.cli;

import java.nio.file.Path;
import java.util.List;
import java.util.Map;
import java.util.stream.Collectors;
import picocli.CommandLine.Command;
import picocli.CommandLine.Parameters;

@Command(name = "load", description = "Take the documents of policy files: all of them, or none.")
final class PolicyLoad extends Act {
    @Parameters(paramLabel = "FILE", arity = "1..*")
    private List<Path> files = List.of();

    @Override
    int run(Client service) {
        var text = files.stream().map(Texts::read).collect(Collectors.joining("\n---\n"));
        var loaded = service.post("/api/v1/policy", Map.of("text", text));
        say("took " + loaded.path("documents").asInt() + " documents; see what they do with: choir preview");
        return Failure.DONE;
    }
}
