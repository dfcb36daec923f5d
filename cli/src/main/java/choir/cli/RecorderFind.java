package choir.cli;

import org.jspecify.annotations.Nullable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;
import tools.jackson.databind.JsonNode;

@Command(
        name = "find",
        description = "Look for recorders at the addresses of a range, and say why the others do not answer.")
final class RecorderFind extends Act {
    @Parameters(
            paramLabel = "RANGE",
            description = "such as 10.20.0.1-10.20.0.40 or 10.20.0.0/26; at most 1,024 addresses")
    private String range = "";

    @Option(names = "--maker", description = "only recorders of this maker")
    private @Nullable String maker;

    @Option(names = "--port", description = "port of the probes", defaultValue = "3702")
    private int port = 3702;

    @Option(
            names = "--web-port",
            description =
                    "port at which an address that answers no probe is asked (default: 80, or that of the probes)")
    private @Nullable Integer webPort;

    @Option(names = "--silent", description = "show the addresses at which nothing usable answers, too")
    private boolean silent;

    @Mixin
    private Lists listing = new Lists();

    @Override
    int run(Client service) {
        var body = Client.body();
        body.put("range", range);
        body.put("port", port);
        if (webPort != null) {
            body.put("webPort", webPort);
        }
        if (maker != null) {
            body.put("maker", maker);
        }
        var answers = Listing.items(service.post("/api/v1/recorder-searches", body));
        var found = answers.stream().filter(a -> a.hasNonNull("service")).toList();
        listing.print(
                out(),
                silent ? answers : found,
                new Table("address", "name", "maker", "model", "family", "here as", "service"),
                a -> new String[] {
                    Listing.text(a, "address"),
                    Listing.text(a, "name"),
                    Listing.text(a, "maker"),
                    Listing.text(a, "model"),
                    a.hasNonNull("service") && Listing.text(a, "family").isEmpty()
                            ? "its own"
                            : Listing.text(a, "family"),
                    Listing.text(a, "knownAs"),
                    a.hasNonNull("service") ? Listing.text(a, "service") : Listing.text(a, "why")
                },
                "no recorder answers there; see why with --silent");
        if (!listing.isJson()) {
            var fresh = found.stream().filter(a -> !a.hasNonNull("knownAs")).findFirst();
            fresh.ifPresent(a -> say("add one with: choir recorder add " + name(a) + " --address "
                    + Listing.text(a, "service") + " --user USER --password"));
        }
        return Failure.DONE;
    }

    private static String name(JsonNode answer) {
        var name = Listing.text(answer, "name");
        return name.matches("[a-z0-9-]+") ? name : "NAME";
    }
}
