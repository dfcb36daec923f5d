package choir.cli;

import java.util.Optional;
import picocli.CommandLine.Command;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;

@Command(name = "remove", description = "Remove a clip, with its marks and its footage.")
final class ClipRemove extends Act {
    @Parameters(paramLabel = "ID")
    private long id;

    @Option(names = "--yes", description = "do not ask")
    private boolean yes;

    @Override
    int run(Client service) {
        var clip = service.get("/api/v1/clips/" + id);
        var line = ClipText.line(clip, CameraTime.of(service, Listing.text(clip, "camera")));
        if (!yes && !Confirmation.given("Remove " + line + "?")) {
            throw new Failure(Failure.FAILED, "nothing was removed; say --yes to remove it without a question");
        }
        service.delete("/api/v1/clips/" + id, Optional.empty());
        say("removed " + line);
        return Failure.DONE;
    }
}
