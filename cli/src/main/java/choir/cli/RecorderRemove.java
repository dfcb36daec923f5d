package choir.cli;

import picocli.CommandLine.Command;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;

@Command(name = "remove", description = "Forget a recorder and its cameras; the recorder itself is left as it is.")
final class RecorderRemove extends Act {
    @Parameters(paramLabel = "NAME")
    private String name = "";

    @Option(names = "--yes", description = "do not ask")
    private boolean yes;

    @Override
    int run(Client service) {
        var path = "/api/v1/recorders/" + Client.encode(name);
        var version = service.getWithVersion(path).version();
        if (!yes && !Confirmation.given("Forget " + name + " with all its cameras, their overrides and findings?")) {
            throw new Failure(Failure.FAILED, "nothing was removed; say --yes to remove without a question");
        }
        service.delete(path, version);
        say("removed " + name);
        return Failure.DONE;
    }
}
