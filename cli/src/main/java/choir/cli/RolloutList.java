package choir.cli;

import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;

@Command(name = "list", description = "Rollouts, the newest first.")
final class RolloutList extends Act {
    @Mixin
    private Lists listing = new Lists();

    @Override
    int run(Client service) {
        listing.print(
                out(),
                Listing.items(service.get("/api/v1/rollouts")),
                WorkRows.table(),
                WorkRows::row,
                "no rollout yet");
        return Failure.DONE;
    }
}
