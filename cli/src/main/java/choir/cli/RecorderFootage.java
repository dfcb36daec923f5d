package choir.cli;

import java.time.Duration;
import java.time.Instant;
import picocli.CommandLine.Command;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;
import tools.jackson.databind.JsonNode;

@Command(
        name = "footage",
        description = "What a recorder keeps of each camera, and whether it records now, by its own account.")
final class RecorderFootage extends Act {
    @Parameters(paramLabel = "NAME")
    private String name = "";

    @Option(names = "--format", description = "table or json", defaultValue = "table", paramLabel = "FORMAT")
    private String format = "table";

    @Override
    int run(Client service) {
        var view = service.get("/api/v1/recorders/" + Client.encode(name) + "/footage");
        if (format.equals("json")) {
            out().println(view.toPrettyString());
            out().flush();
            return Failure.DONE;
        }
        if (!view.path("told").asBoolean()) {
            say(name + " does not tell what it keeps; nothing is known");
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
