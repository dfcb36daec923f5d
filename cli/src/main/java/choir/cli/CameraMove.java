package choir.cli;

import java.util.List;
import java.util.Map;
import picocli.CommandLine.Command;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;

@Command(name = "move", description = "Put cameras into a group.")
final class CameraMove extends Act {
    @Parameters(paramLabel = "CAMERA", arity = "1..*")
    private List<String> cameras = List.of();

    @Option(names = "--to", required = true, paramLabel = "GROUP", description = "such as terminals/haldr/quay")
    private String group = "";

    @Override
    int run(Client service) {
        for (var camera : cameras) {
            var path = Client.camera(camera);
            service.write(
                    "PUT",
                    path + "/placing",
                    Map.of("group", group),
                    service.getWithVersion(path).version());
            say("moved " + camera + " to " + group);
        }
        return Failure.DONE;
    }
}
