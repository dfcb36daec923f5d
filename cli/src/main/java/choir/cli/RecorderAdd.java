package choir.cli;

import java.util.List;
import java.util.Map;
import java.util.function.Predicate;
import java.util.regex.Pattern;
import org.jspecify.annotations.Nullable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;
import tools.jackson.databind.JsonNode;

@Command(name = "add", description = "Add a recorder; its cameras appear once it is read.")
final class RecorderAdd extends Act {
    private static final Pattern SHOWN = Pattern.compile("not known here: SHA-256 ([0-9A-F:]{95})");

    @Parameters(paramLabel = "NAME", description = "such as haldr-1")
    private String name = "";

    @Option(names = "--address", description = "such as http://10.20.0.5/onvif/device_service")
    private @Nullable String address;

    @Option(names = "--user", description = "user name on the recorder")
    private @Nullable String user;

    /** On the recorder. */
    @Mixin
    private Password password = new Password();

    @Option(
            names = "--fingerprint",
            description = "the SHA-256 of the certificate that it shows by TLS; asked for when it is not said")
    private @Nullable String fingerprint;

    @Option(names = "--family", description = "the recorder's family; without it the recorder is asked what it is")
    private @Nullable String family;

    @Option(
            names = "--camera",
            paramLabel = "LABEL",
            description = "for a recorder without a network interface: its cameras, one option each, in order")
    private List<String> cameras = List.of();

    @Option(
            names = "--zone",
            description = "the recorder's time zone, such as Atlantic/Faroe; without it one that fits its clock")
    private @Nullable String zone;

    @Override
    int run(Client service) {
        var body = Client.body();
        body.put("name", name);
        if (address != null) {
            body.put("address", address);
        }
        if (user != null) {
            body.put("user", user);
        }
        password.given().ifPresent(word -> body.put("password", word));
        if (!cameras.isEmpty()) {
            body.put("cameras", cameras);
        }
        if (zone != null) {
            body.put("zone", zone);
        }
        if (family != null) {
            body.put("family", family);
        }
        if (fingerprint != null) {
            body.put("fingerprint", fingerprint);
        }
        var added = added(service, body, Confirmation::given);
        var next =
                cameras.isEmpty() ? "read it with: choir recorder read " : "see its work sheet with: choir sheet show ";
        say("added " + name + ", of family " + Listing.text(added, "family") + "; " + next + name);
        return Failure.DONE;
    }

    /** A certificate that nobody vouches for is shown, and taken when a person says that it is the right one. */
    static JsonNode added(Client service, Map<String, Object> body, Predicate<String> confirmed) {
        try {
            return service.post("/api/v1/recorders", body);
        } catch (Failure e) {
            var shown = SHOWN.matcher(String.valueOf(e.getMessage()));
            if (body.containsKey("fingerprint") || !shown.find()) {
                throw e;
            }
            if (!confirmed.test(e.getMessage() + ".\nIs that what the recorder's own screen shows?")) {
                throw new Failure(
                        e.exitCode(),
                        e.getMessage() + "; if that is what the recorder's own screen shows, add --fingerprint "
                                + shown.group(1));
            }
            body.put("fingerprint", shown.group(1));
            return service.post("/api/v1/recorders", body);
        }
    }
}
