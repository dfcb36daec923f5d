package choir.cli;

import java.util.List;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;

@Command(name = "tag", description = "Give cameras tags; they replace those that they have.")
final class CameraTag extends Act {
    @Parameters(paramLabel = "CAMERA", arity = "0..*")
    private List<String> cameras = List.of();

    @Mixin
    private Placing placing = new Placing();

    @Option(
            names = "--tags",
            required = true,
            split = ",",
            arity = "0..1",
            paramLabel = "TAG",
            description = "with commas between; nothing takes all tags away")
    private List<String> tags = List.of();

    @Override
    int run(Client service) {
        var wanted = tags.stream().filter(t -> !t.isBlank()).toList();
        var counts = placing.place(service, cameras, "tags", wanted);
        say("gave " + counts[1] + " of " + counts[0] + " cameras "
                + (wanted.isEmpty() ? "no tags" : "the tags " + String.join(", ", wanted)));
        return Failure.DONE;
    }
}
