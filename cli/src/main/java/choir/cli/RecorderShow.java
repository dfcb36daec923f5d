package choir.cli;

import java.util.List;
import java.util.stream.Collectors;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.node.ObjectNode;

@Command(name = "show", description = "One recorder with its cameras and what they hold now, equal values once.")
final class RecorderShow extends Act {
    @Parameters(paramLabel = "NAME")
    private String name = "";

    @Option(names = "--all", description = "every camera with all that it holds, equal values too")
    private boolean all;

    @Mixin
    private Listing listing = new Listing();

    @Override
    int run(Client service) {
        var recorder = service.get("/api/v1/recorders/" + Client.encode(name));
        var cameras = service.all(Client.select("/api/v1/cameras", "recorder:" + name)).stream()
                .map(c -> service.get(Client.camera(Listing.text(c, "camera"))))
                .toList();
        ObjectNode whole = Client.JSON.createObjectNode();
        whole.set("recorder", recorder);
        whole.set("cameras", Client.JSON.createArrayNode().addAll(cameras));
        if (!listing.isForPrograms(
                out(),
                whole,
                () -> cameras.stream()
                        .flatMap(c -> ExplainCommand.settings(c).stream())
                        .toList())) {
            print(recorder, cameras);
        }
        return Failure.DONE;
    }

    private void print(JsonNode recorder, List<JsonNode> cameras) {
        say(name + "  " + Listing.text(recorder, "manufacturer") + " " + Listing.text(recorder, "model") + "  firmware "
                + Listing.text(recorder, "firmware") + "  serial " + Listing.text(recorder, "serial"));
        say("at " + Listing.text(recorder, "address") + "  " + RecorderList.state(recorder) + "  zone "
                + Listing.text(recorder, "zone"));
        var certificate = Listing.text(recorder, "certificate");
        var tells = Listing.text(recorder, "tellsSince");
        say((certificate.isEmpty() ? "" : "by TLS, certificate SHA-256 " + certificate + "\n")
                + (tells.isEmpty() ? "tells of no changes" : "tells of changes, heard since " + Times.of(tells)));
        var held = new Held();
        var table = new Table("channel", "label", "setting", "holds");
        for (var camera : cameras) {
            var row = camera.path("row");
            held.add(Listing.text(row, "channel"), camera.path("settings"));
            lines(table, row, camera.path("settings"));
        }
        if (held.isEmpty()) {
            say("nothing is known of its cameras; read it with: choir recorder read " + name);
        } else if (all) {
            table.print(out(), Table.terminalWidth());
        } else {
            var names = cameras.stream()
                    .map(c -> c.path("row"))
                    .map(c -> Listing.text(c, "channel") + " " + Listing.text(c, "label"))
                    .collect(Collectors.joining(", "));
            new Table("cameras").row(names).print(out(), Table.terminalWidth());
            say("");
            held.table().print(out(), Table.terminalWidth());
        }
    }

    private static void lines(Table table, JsonNode camera, JsonNode settings) {
        var channel = Listing.text(camera, "channel");
        var label = Listing.text(camera, "label");
        for (var setting : settings) {
            var holds = Listing.text(setting, "observed");
            if (!holds.isEmpty()) {
                table.row(channel, label, Listing.text(setting, "title"), holds);
                channel = "";
                label = "";
            }
        }
    }
}
