package choir.cli;

import org.jspecify.annotations.Nullable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;

@Command(name = "add", description = "Add a recorder; its cameras appear once it is read.")
final class RecorderAdd extends Act {
    @Parameters(paramLabel = "NAME", description = "such as haldr-1")
    private String name = "";

    @Option(names = "--address", required = true, description = "such as http://10.20.0.5/onvif/device_service")
    private String address = "";

    @Option(names = "--user", required = true, description = "user name on the recorder")
    private String user = "";

    @Option(
            names = "--password",
            description = "password on the recorder; asked for when it stands alone",
            arity = "0..1",
            interactive = true,
            required = true)
    private char[] password = new char[0];

    @Option(names = "--family", description = "the recorder's family; without it the recorder is asked what it is")
    private @Nullable String family;

    @Option(names = "--zone", description = "the recorder's time zone, such as Atlantic/Faroe", defaultValue = "UTC")
    private String zone = "UTC";

    @Override
    int run(Client service) {
        var body = Client.body();
        body.put("name", name);
        body.put("address", address);
        body.put("user", user);
        body.put("password", new String(password));
        body.put("zone", zone);
        if (family != null) {
            body.put("family", family);
        }
        var added = service.post("/api/v1/recorders", body);
        say("added " + name + ", of family " + Listing.text(added, "family") + "; read it with: choir recorder read "
                + name);
        return Failure.DONE;
    }
}
