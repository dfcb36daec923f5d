package choir.cli;

import java.util.Map;
import java.util.Optional;
import picocli.CommandLine.Command;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;

@Command(
        name = "pause",
        description = "Leave a recorder out of audits and rollouts until a day is over, since somebody works there.")
final class RecorderPause extends Act {
    @Parameters(paramLabel = "NAME")
    private String name = "";

    @Option(names = "--until", required = true, paramLabel = "DATE", description = "the last day, such as 2027-03-01")
    private String until = "";

    @Option(names = "--because", required = true, paramLabel = "REASON", description = "what is done there")
    private String because = "";

    @Override
    int run(Client service) {
        service.write(
                "PUT",
                "/api/v1/recorders/" + Client.encode(name) + "/pause",
                Map.of("until", until, "because", because),
                Optional.empty());
        say(name + " is paused until " + until);
        return Failure.DONE;
    }
}
