package choir.cli;

import java.util.Optional;
import picocli.CommandLine.Command;
import picocli.CommandLine.Parameters;

@Command(name = "resume", description = "Audit and write a paused recorder again.")
final class RecorderResume extends Act {
    @Parameters(paramLabel = "NAME")
    private String name = "";

    @Override
    int run(Client service) {
        service.delete("/api/v1/recorders/" + Client.encode(name) + "/pause", Optional.empty());
        say(name + " is no longer paused; audit it with: choir audit run recorder:" + name);
        return Failure.DONE;
    }
}
