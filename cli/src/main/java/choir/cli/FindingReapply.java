package choir.cli;

import java.util.List;
import java.util.Map;
import picocli.CommandLine.Command;
import picocli.CommandLine.Parameters;

@Command(name = "reapply", description = "Give out again just the settings that findings are about.")
final class FindingReapply extends Act {
    @Parameters(paramLabel = "ID", arity = "1..*")
    private List<Long> ids = List.of();

    @Override
    int run(Client service) {
        var started = service.post("/api/v1/findings/reapply", Map.of("findings", ids));
        say("rollout " + Listing.number(started, "id"));
        return RolloutShow.told(this, service, finish(service, started), "");
    }
}
