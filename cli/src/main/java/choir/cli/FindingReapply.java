package choir.cli;

import java.util.Map;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;

@Command(name = "reapply", description = "Give out again just the settings that findings are about.")
final class FindingReapply extends Act {
    @Mixin
    private FindingIds ids = new FindingIds();

    @Override
    int run(Client service) {
        var started = service.post("/api/v1/findings/reapply", Map.of("findings", ids.of(service, "Give out again")));
        say("rollout " + Listing.number(started, "id"));
        return RolloutShow.follow(this, service, started, "");
    }
}
