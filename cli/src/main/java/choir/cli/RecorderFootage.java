package choir.cli;

import java.time.Duration;
import java.time.Instant;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Parameters;
import tools.jackson.databind.JsonNode;

@Command(
        name = "footage",
        description = "What a recorder keeps of each camera, and whether it records now, by its own account.")
final class RecorderFootage extends Act {
    @Parameters(paramLabel = "NAME")
    private String name = "";

    @Mixin
    private Listing listing = new Listing();

    @Override
    int run(Client service) {
        var view = service.get("/api/v1/recorders/" + Client.encode(name) + "/footage");
        if (listing.isForPrograms(out(), view, () -> Listing.items(view.path("cameras")))) {
            return Failure.DONE;
        }
        var table = new Table("camera", "label", "since", "days", "records now");
        for (var camera : view.path("cameras")) {
            table.row(
                    Listing.text(camera, "camera"),
                    Listing.text(camera, "label"),
                    Times.of(Listing.text(camera, "from")),
                    days(camera),
                    camera.hasNonNull("records") ? (camera.path("records").asBoolean() ? "yes" : "no") : "not known");
        }
        table.print(out(), Table.terminalWidth());
        return Failure.DONE;
    }

    private static String days(JsonNode camera) {
        if (!camera.hasNonNull("from") || !camera.hasNonNull("until")) {
            return "not known";
        }
        var kept = Duration.between(
                Instant.parse(Listing.text(camera, "from")), Instant.parse(Listing.text(camera, "until")));
        return Long.toString(kept.toDays());
    }
}
