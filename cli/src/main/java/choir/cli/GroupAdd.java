package choir.cli;

import java.util.Map;
import picocli.CommandLine.Command;
import picocli.CommandLine.Parameters;

@Command(name = "add", description = "Add a group, and those above it that are missing.")
final class GroupAdd extends Act {
    @Parameters(paramLabel = "GROUP", description = "such as terminals/haldr/quay")
    private String group = "";

    @Override
    int run(Client service) {
        service.post("/api/v1/groups", Map.of("path", group));
        say("added " + group);
        return Failure.DONE;
    }
}
