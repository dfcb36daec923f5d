package choir.cli;

import java.util.Map;
import picocli.CommandLine.Command;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;

@Command(
        name = "move",
        description = "Move a group with all below it, its cameras and what is said there, to another place or name.")
final class GroupMove extends Act {
    @Parameters(index = "0", paramLabel = "GROUP", description = "such as terminals/haldr")
    private String from = "";

    @Option(names = "--to", required = true, paramLabel = "GROUP", description = "such as terminals/haldr-north")
    private String to = "";

    @Override
    int run(Client service) {
        service.post("/api/v1/groups/move", Map.of("from", from, "to", to));
        say("moved " + from + " to " + to + "; if other policy reaches it there, see: choir preview");
        return Failure.DONE;
    }
}
