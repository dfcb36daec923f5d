package choir.cli;

import java.util.Map;
import picocli.CommandLine.Command;
import picocli.CommandLine.Parameters;

@Command(name = "resume", description = "Take a paused rollout up again.")
final class RolloutResume extends Act {
    @Parameters(paramLabel = "ID")
    private long id;

    @Override
    int run(Client service) {
        service.post("/api/v1/rollouts/" + id + "/resume", Map.of());
        say("rollout " + id + " goes on");
        return Failure.DONE;
    }
}
