package choir.cli;

import java.util.Map;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Option;

@Command(
        name = "adopt",
        description = "Make what the recorders hold the cameras' own policy, with a reason, until a date.")
final class FindingAdopt extends Act {
    @Mixin
    private FindingIds ids = new FindingIds();

    @Option(names = "--because", required = true, paramLabel = "REASON", description = "why it may be as it is")
    private String because = "";

    @Option(names = "--until", required = true, paramLabel = "DATE", description = "the last day, such as 2027-03-01")
    private String until = "";

    @Override
    int run(Client service) {
        var chosen = ids.of(service, "Adopt");
        return FindingDecided.told(
                this,
                service.post(
                        "/api/v1/findings/decisions",
                        Map.of("findings", chosen, "decision", "adopt", "because", because, "until", until)),
                "adopted until " + until);
    }
}
