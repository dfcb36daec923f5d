package choir.cli;

import java.util.List;
import java.util.Map;
import picocli.CommandLine.Command;
import picocli.CommandLine.Parameters;

@Command(name = "tag", description = "Give a camera tags; they replace those it has.")
final class CameraTag extends Act {
    @Parameters(index = "0", paramLabel = "CAMERA")
    private String camera = "";

    @Parameters(index = "1..*", paramLabel = "TAG", description = "none takes all tags away")
    private List<String> tags = List.of();

    @Override
    int run(Client service) {
        var path = Client.camera(camera);
        service.write(
                "PUT",
                path + "/placing",
                Map.of("tags", tags),
                service.getWithVersion(path).version());
        say(camera + " has the tags " + (tags.isEmpty() ? "none" : String.join(", ", tags)));
        return Failure.DONE;
    }
}
