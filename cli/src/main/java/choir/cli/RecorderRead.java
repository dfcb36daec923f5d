package choir.cli;

import java.util.List;
import picocli.CommandLine.Command;
import picocli.CommandLine.Parameters;

@Command(name = "read", description = "Read what recorders hold now; all of them when none is named.")
final class RecorderRead extends Act {
    @Parameters(paramLabel = "NAME", arity = "0..*")
    private List<String> names = List.of();

    @Override
    int run(Client service) {
        var body = Client.body();
        if (!names.isEmpty()) {
            body.put("recorders", names);
        }
        var ended = finish(service, service.post("/api/v1/readings", body));
        say(Listing.text(ended, "note"));
        return ended.path("failed").asInt() > 0 ? Failure.NOT_REACHABLE : Failure.DONE;
    }
}
