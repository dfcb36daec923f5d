package choir.cli;

import java.util.Map;
import picocli.CommandLine.Command;
import picocli.CommandLine.Parameters;

@Command(
        name = "undo",
        description = "Write back what the cameras held before; the policy stays, so they will show as waiting.")
final class RolloutUndo extends Act {
    @Parameters(paramLabel = "ID")
    private long id;

    @Override
    int run(Client service) {
        var started = service.post("/api/v1/rollouts/" + id + "/undo", Map.of());
        say("rollout " + Listing.number(started, "id") + " undoes rollout " + id);
        var ended = finish(service, started);
        say(Listing.text(ended, "note") + "; the policy was left as it is, so these cameras are waiting now");
        return RolloutShow.exitCode(ended);
    }
}
