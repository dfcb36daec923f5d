package choir.cli;

import java.util.Map;
import picocli.CommandLine.Command;
import picocli.CommandLine.Parameters;

@Command(name = "approve", description = "Let a rollout go that somebody else asked for.")
final class RolloutApprove extends Act {
    @Parameters(paramLabel = "ID")
    private long id;

    @Override
    int run(Client service) {
        var approved = service.post("/api/v1/rollouts/" + id + "/approve", Map.of());
        say("rollout " + id + " by " + Listing.text(approved, "who") + " goes; see: choir rollout show " + id);
        return Failure.DONE;
    }
}
