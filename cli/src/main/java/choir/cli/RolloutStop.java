package choir.cli;

import java.util.Map;
import picocli.CommandLine.Command;
import picocli.CommandLine.Parameters;

@Command(
        name = "stop",
        description =
                "End a rollout early; what is being written is settled first, and what was not begun is left alone.")
final class RolloutStop extends Act {
    @Parameters(paramLabel = "ID")
    private long id;

    @Override
    int run(Client service) {
        service.post("/api/v1/works/" + id + "/stop", Map.of());
        say("rollout " + id + " stops");
        return Failure.DONE;
    }
}
