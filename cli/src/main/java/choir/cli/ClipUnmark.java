package choir.cli;

import java.util.Optional;
import picocli.CommandLine.Command;
import picocli.CommandLine.Parameters;

@Command(name = "unmark", description = "Take back a mark.")
final class ClipUnmark extends Act {
    @Parameters(index = "0", paramLabel = "ID")
    private long id;

    @Parameters(index = "1", paramLabel = "MARK", description = "its number, as choir clip show tells it")
    private long mark;

    @Override
    int run(Client service) {
        var clip = service.get("/api/v1/clips/" + id);
        var left = service.delete("/api/v1/clips/" + id + "/marks/" + mark, Optional.empty());
        ClipShow.marks(this, left, CameraTime.of(service, Listing.text(clip, "camera")));
        return Failure.DONE;
    }
}
