package choir.cli;

import java.util.Map;
import picocli.CommandLine.Command;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;

@Command(name = "order", description = "Say what it means that pictures of a recorder stand on other channels.")
final class RecorderOrder extends Act {
    @Parameters(paramLabel = "NAME")
    private String name = "";

    @Option(names = "--follow", description = "they hang there now: cameras go with their pictures")
    private boolean follow;

    @Option(names = "--renamed", description = "channels were only called otherwise: cameras stay")
    private boolean renamed;

    @Override
    int run(Client service) {
        if (follow == renamed) {
            throw new Failure(Failure.WRONG_USAGE, "say --follow or --renamed");
        }
        service.post("/api/v1/recorders/" + Client.encode(name) + "/order", Map.of("follow", follow));
        say("the cameras of " + name + (follow ? " follow their pictures" : " stay where they are"));
        return Failure.DONE;
    }
}
