package choir.cli;

import java.util.List;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;

@Command(name = "list", description = "Cameras of a selection, or all.")
final class CameraList extends Act {
    @Parameters(paramLabel = "SELECTION", arity = "0..*", description = "such as group:terminals/haldr state:drifted")
    private List<String> words = List.of();

    @Option(names = "--select", description = "the same as an option", defaultValue = "", paramLabel = "SELECTION")
    private String select = "";

    @Mixin
    private Lists listing = new Lists();

    @Override
    int run(Client service) {
        listing.print(
                out(),
                service,
                Client.select("/api/v1/cameras", Selections.joined(words, select)),
                new Table("camera", "label", "device", "group", "family", "tags", "state"),
                c -> new String[] {
                    Listing.text(c, "camera"),
                    Listing.text(c, "label"),
                    Listing.text(c, "deviceName"),
                    Listing.text(c, "group"),
                    Listing.text(c, "family"),
                    Selections.list(c.path("tags")),
                    Selections.list(c.path("states"))
                },
                "no camera is selected");
        return Failure.DONE;
    }
}
