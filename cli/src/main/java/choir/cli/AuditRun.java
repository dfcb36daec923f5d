package choir.cli;

import java.util.List;
import java.util.Map;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Parameters;

@Command(name = "run", description = "Read the recorders of a selection, compare, and list what is out of tune.")
final class AuditRun extends Act {
    @Parameters(paramLabel = "SELECTION", arity = "0..*")
    private List<String> words = List.of();

    @Mixin
    private Listing listing = new Listing();

    @Override
    int run(Client service) {
        var select = Selections.joined(words, "");
        var ended = finish(service, service.post("/api/v1/audits", Map.of("select", select)));
        var state = Listing.text(ended, "state");
        if (!state.equals("done") && !state.equals("partly")) {
            throw new Failure(
                    ended.path("failed").asInt() > 0 ? Failure.NOT_REACHABLE : Failure.FAILED,
                    "the audit " + (state.equals("stopped") ? "was stopped: " : "could not be done: ")
                            + Listing.text(ended, "note"));
        }
        var findings = service.all(Client.select("/api/v1/findings", select));
        FindingRows.print(out(), listing, findings, "nothing is out of tune");
        if (!listing.isJson()) {
            say(Listing.text(ended, "note"));
        }
        return findings.isEmpty() ? Failure.DONE : Failure.FOUND;
    }
}
