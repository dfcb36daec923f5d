package choir.cli;

import java.util.Map;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Option;

@Command(name = "accept", description = "Leave findings as they are until a date; what moves meanwhile opens again.")
final class FindingAccept extends Act {
    @Mixin
    private FindingIds ids = new FindingIds();

    @Option(names = "--because", required = true, paramLabel = "REASON", description = "why it may be as it is")
    private String because = "";

    @Option(names = "--until", required = true, paramLabel = "DATE", description = "the last day, such as 2027-03-01")
    private String until = "";

    @Override
    int run(Client service) {
        var chosen = ids.of(service, "Accept");
        return FindingDecided.told(
                this,
                service.post(
                        "/api/v1/findings/decisions",
                        Map.of("findings", chosen, "decision", "accept", "because", because, "until", until)),
                "accepted until " + until);
    }
}
