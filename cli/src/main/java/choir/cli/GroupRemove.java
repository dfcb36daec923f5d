package choir.cli;

import java.util.Optional;
import picocli.CommandLine.Command;
import picocli.CommandLine.Parameters;

@Command(name = "remove", description = "Remove a group that holds no camera, with those below it.")
final class GroupRemove extends Act {
    @Parameters(paramLabel = "GROUP")
    private String group = "";

    @Override
    int run(Client service) {
        service.delete("/api/v1/groups?path=" + Client.encode(group), Optional.empty());
        say("removed " + group);
        return Failure.DONE;
    }
}
