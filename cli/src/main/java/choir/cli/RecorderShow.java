package choir.cli;

import java.util.stream.Collectors;
import picocli.CommandLine.Command;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;
import tools.jackson.databind.JsonNode;

@Command(name = "show", description = "One recorder with its cameras and what they hold now, equal values once.")
final class RecorderShow extends Act {
    @Parameters(paramLabel = "NAME")
    private String name = "";

    @Option(names = "--all", description = "every camera with all that it holds, equal values too")
    private boolean all;

    @Override
    int run(Client service) {
        var recorder = service.get("/api/v1/recorders/" + Client.encode(name));
        say(name + "  " + Listing.text(recorder, "manufacturer") + " " + Listing.text(recorder, "model") + "  firmware "
                + Listing.text(recorder, "firmware") + "  serial " + Listing.text(recorder, "serial"));
        say("at " + Listing.text(recorder, "address") + "  " + RecorderList.state(recorder) + "  zone "
                + Listing.text(recorder, "zone"));
        var certificate = Listing.text(recorder, "certificate");
        var tells = Listing.text(recorder, "tellsSince");
        say((certificate.isEmpty() ? "" : "by TLS, certificate SHA-256 " + certificate + "\n")
                + (tells.isEmpty() ? "tells of no changes" : "tells of changes, heard since " + Times.of(tells)));
        var cameras = service.all(Client.select("/api/v1/cameras", "recorder:" + name));
        var held = new Held();
        var table = new Table("channel", "label", "setting", "holds");
        for (var camera : cameras) {
            var settings =
                    service.get(Client.camera(Listing.text(camera, "camera"))).path("settings");
            held.add(Listing.text(camera, "channel"), settings);
            lines(table, camera, settings);
        }
        if (held.isEmpty()) {
            say("nothing is known of its cameras; read it with: choir recorder read " + name);
        } else if (all) {
            table.print(out(), Table.terminalWidth());
        } else {
            var names = cameras.stream()
                    .map(c -> Listing.text(c, "channel") + " " + Listing.text(c, "label"))
                    .collect(Collectors.joining(", "));
            new Table("cameras").row(names).print(out(), Table.terminalWidth());
            say("");
            held.table().print(out(), Table.terminalWidth());
        }
        return Failure.DONE;
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
