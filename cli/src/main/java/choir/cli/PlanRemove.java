package choir.cli;

import java.util.Optional;
import picocli.CommandLine.Command;
import picocli.CommandLine.Parameters;

@Command(name = "remove", description = "Take a plan away.")
final class PlanRemove extends Act {
    @Parameters(paramLabel = "ID")
    private long id;

    @Override
    int run(Client service) {
        service.delete("/api/v1/plans/" + id, Optional.empty());
        say("plan " + id + " is gone");
        return Failure.DONE;
    }
}
