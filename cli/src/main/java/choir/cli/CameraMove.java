package choir.cli;

import java.util.List;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;

@Command(name = "move", description = "Put cameras into a group: those named and those selected, all or none.")
final class CameraMove extends Act {
    @Parameters(paramLabel = "CAMERA", arity = "0..*")
    private List<String> cameras = List.of();

    @Mixin
    private Placing placing = new Placing();

    @Option(names = "--to", required = true, paramLabel = "GROUP", description = "such as terminals/haldr/quay")
    private String group = "";

    @Override
    int run(Client service) {
        var counts = placing.place(service, cameras, "group", group);
        say("moved " + counts[1] + " of " + counts[0] + " cameras to " + group
                + (counts[1] < counts[0] ? "; the others stood there already" : ""));
        return Failure.DONE;
    }
}
