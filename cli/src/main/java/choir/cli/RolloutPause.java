package choir.cli;

import java.util.Map;
import picocli.CommandLine.Command;
import picocli.CommandLine.Parameters;

@Command(name = "pause", description = "Let a rollout rest; what is being written is settled first.")
final class RolloutPause extends Act {
    @Parameters(paramLabel = "ID")
    private long id;

    @Override
    int run(Client service) {
        service.post("/api/v1/rollouts/" + id + "/pause", Map.of());
        say("rollout " + id + " pauses");
        return Failure.DONE;
    }
}
