package choir.cli;

import picocli.CommandLine.Command;
import picocli.CommandLine.Parameters;

@Command(name = "show", description = "One recorder with its cameras and what each of them holds now.")
final class RecorderShow extends Act {
    @Parameters(paramLabel = "NAME")
    private String name = "";

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
        var table = new Table("channel", "label", "setting", "holds");
        for (var camera : service.all(Client.select("/api/v1/cameras", "recorder:" + name))) {
            var view = service.get(Client.camera(Listing.text(camera, "camera")));
            var channel = Listing.text(camera, "channel");
            var label = Listing.text(camera, "label");
            for (var setting : view.path("settings")) {
                var holds = Listing.text(setting, "observed");
                if (!holds.isEmpty()) {
                    table.row(channel, label, Listing.text(setting, "title"), holds);
                    channel = "";
                    label = "";
                }
            }
        }
        if (table.isEmpty()) {
            say("nothing is known of its cameras; read it with: choir recorder read " + name);
        } else {
            table.print(out(), Table.terminalWidth());
        }
        return Failure.DONE;
    }
}
