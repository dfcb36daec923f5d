package choir.cli;

import java.util.Map;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Option;

/** What ends findings for a while and needs a reason and a last day. */
abstract class FindingExcused extends Act {
    private final String decision;
    private final String done;

    @Mixin
    private FindingIds ids = new FindingIds();

    @Option(names = "--because", required = true, paramLabel = "REASON", description = "why it may be as it is")
    private String because = "";

    @Option(names = "--until", required = true, paramLabel = "DATE", description = "the last day, such as 2027-03-01")
    private String until = "";

    /** @param done what a finding then is, such as "adopted" */
    FindingExcused(String decision, String done) {
        this.decision = decision;
        this.done = done;
    }

    @Override
    int run(Client service) {
        var chosen =
                ids.of(service, decision.substring(0, 1).toUpperCase(java.util.Locale.ROOT) + decision.substring(1));
        return FindingDecided.told(
                this,
                service.post(
                        "/api/v1/findings/decisions",
                        Map.of("findings", chosen, "decision", decision, "because", because, "until", until)),
                done + " until " + until);
    }
}
