package choir.cli;

import java.util.Map;
import picocli.CommandLine.Command;
import picocli.CommandLine.Parameters;

@Command(
        name = "move-channel",
        description = "Say that a camera hangs on another channel or recorder now; what is said at it goes with it.")
final class CameraMoveChannel extends Act {
    @Parameters(index = "0", paramLabel = "CAMERA", description = "as it is called now, such as haldr-1/07")
    private String camera = "";

    @Parameters(
            index = "1",
            paramLabel = "TO",
            description = "where it hangs, such as haldr-1/09; a camera that is there changes places with it")
    private String to = "";

    @Override
    int run(Client service) {
        var reading = finish(service, service.post("/api/v1/camera-moves", Map.of("camera", camera, "to", to)));
        say(camera + " is " + to + " now; what it holds there: " + Listing.text(reading, "note"));
        return Listing.text(reading, "state").equals("done") ? Failure.DONE : Failure.NOT_REACHABLE;
    }
}
