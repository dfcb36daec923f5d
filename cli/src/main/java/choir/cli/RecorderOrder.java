package choir.cli;

import java.util.Map;
import picocli.CommandLine.ArgGroup;
import picocli.CommandLine.Command;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;

@Command(name = "order", description = "Say what it means that pictures of a recorder stand on other channels.")
final class RecorderOrder extends Act {
    /** One of the two. */
    static final class Meaning {
        @Option(names = "--follow", description = "they hang there now: cameras go with their pictures")
        private boolean follow;

        @Option(names = "--renamed", description = "channels were only called otherwise: cameras stay")
        private boolean renamed;
    }

    @Parameters(paramLabel = "NAME")
    private String name = "";

    @ArgGroup(multiplicity = "1")
    private Meaning meaning = new Meaning();

    @Override
    int run(Client service) {
        service.post("/api/v1/recorders/" + Client.encode(name) + "/order", Map.of("follow", meaning.follow));
        say(meaning.follow ? "the cameras of " + name + " follow their pictures" : "the cameras of " + name + " stay");
        return Failure.DONE;
    }
}
