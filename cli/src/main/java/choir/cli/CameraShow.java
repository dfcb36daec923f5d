package choir.cli;

import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Parameters;

@Command(name = "show", description = "One camera: names, place, and what its recorder holds.")
final class CameraShow extends Act {
    @Parameters(paramLabel = "CAMERA", description = "such as haldr-1/07")
    private String camera = "";

    @Mixin
    private Listing listing = new Listing();

    @Override
    int run(Client service) {
        var view = service.get(Client.camera(camera));
        if (listing.isForPrograms(out(), view, () -> ExplainCommand.settings(view))) {
            return Failure.DONE;
        }
        var row = view.path("row");
        say(Heading.of(view));
        say("group " + Listing.text(row, "group") + "   tags " + Selections.list(row.path("tags")) + "   "
                + Selections.list(row.path("states")));
        var table = new Table("setting", "holds");
        for (var setting : view.path("settings")) {
            if (!Listing.text(setting, "observed").isEmpty()) {
                table.row(Listing.text(setting, "title"), Listing.text(setting, "observed"));
            }
        }
        table.print(out(), Table.terminalWidth());
        return Failure.DONE;
    }
}
