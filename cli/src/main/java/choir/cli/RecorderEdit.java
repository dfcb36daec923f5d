package choir.cli;

import org.jspecify.annotations.Nullable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;

@Command(
        name = "edit",
        description = "Say where a recorder is now, or in which time zone; it has to be the same device.",
        footer = "Another device in its place: choir recorder replace. Its password: choir recorder password.")
final class RecorderEdit extends Act {
    @Parameters(paramLabel = "NAME")
    private String name = "";

    @Option(
            names = "--address",
            paramLabel = "URL",
            description = "where it is now; it is asked there whether it is the same device")
    private @Nullable String address;

    @Option(names = "--zone", paramLabel = "ZONE", description = "such as Atlantic/Faroe")
    private @Nullable String zone;

    @Override
    int run(Client service) {
        var path = "/api/v1/recorders/" + Client.encode(name);
        var body = Client.body();
        if (address != null) {
            body.put("address", address);
        }
        if (zone != null) {
            body.put("zone", zone);
        }
        if (body.isEmpty()) {
            throw new Failure(Failure.WRONG_USAGE, "say what is to be otherwise: --address or --zone");
        }
        service.write("PUT", path, body, service.getWithVersion(path).version());
        say(name
                + (address == null ? "" : " is at " + address)
                + (address != null && zone != null ? " and" : "")
                + (zone == null ? "" : " is in " + zone));
        return Failure.DONE;
    }
}
