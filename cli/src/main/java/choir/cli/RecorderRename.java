package choir.cli;

import java.util.Map;
import picocli.CommandLine.Command;
import picocli.CommandLine.Parameters;

@Command(name = "rename", description = "Call a recorder otherwise; all that is said at its cameras goes with it.")
final class RecorderRename extends Act {
    @Parameters(index = "0", paramLabel = "NAME")
    private String name = "";

    @Parameters(index = "1", paramLabel = "NEW")
    private String fresh = "";

    @Override
    int run(Client service) {
        service.post("/api/v1/recorders/" + Client.encode(name) + "/name", Map.of("name", fresh));
        say(name + " is called " + fresh + " now; policy files that name its cameras must say so too");
        return Failure.DONE;
    }
}
