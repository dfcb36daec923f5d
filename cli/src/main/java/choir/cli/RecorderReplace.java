package choir.cli;

import org.jspecify.annotations.Nullable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;

@Command(
        name = "replace",
        description = "Say that another device takes a recorder's place; its cameras keep their policy and history.")
final class RecorderReplace extends Act {
    @Parameters(paramLabel = "NAME")
    private String name = "";

    @Option(names = "--address", paramLabel = "URL", description = "where it is, if not where the old one was")
    private @Nullable String address;

    @Option(names = "--yes", description = "do not ask")
    private boolean yes;

    @Override
    int run(Client service) {
        var path = "/api/v1/recorders/" + Client.encode(name);
        var version = service.getWithVersion(path).version();
        var question = "Take the device " + (address == null ? "that answers there now" : "at " + address) + " for "
                + name + "? Nothing that was verified at the old one counts any more.";
        if (!yes && !Confirmation.given(question)) {
            throw new Failure(Failure.FAILED, "nothing was changed; say --yes to replace it without a question");
        }
        var body = Client.body();
        if (address != null) {
            body.put("address", address);
        }
        var started = service.write("POST", path + "/replacement", body, version);
        var ended = finish(service, started);
        say(Listing.text(ended, "note"));
        return Listing.text(ended, "state").equals("done") ? Failure.DONE : Failure.NOT_REACHABLE;
    }
}
