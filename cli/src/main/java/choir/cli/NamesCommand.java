package choir.cli;

import java.util.stream.Stream;
import picocli.CommandLine.Command;

/** Everything that a word on the command line may name, for the shell's completion. */
@Command(name = "names", hidden = true, description = "Print all names that a command may take, one a line.")
final class NamesCommand extends Act {
    @Override
    int run(Client service) {
        names("/api/v1/recorders", "name", service).forEach(this::say);
        names("/api/v1/templates", "name", service).forEach(this::say);
        names("/api/v1/calendars", "name", service).forEach(this::say);
        names("/api/v1/groups", "group", service).forEach(this::say);
        names("/api/v1/settings", "key", service).forEach(this::say);
        service.all("/api/v1/cameras").forEach(c -> say(Listing.text(c, "camera")));
        return Failure.DONE;
    }

    private static Stream<String> names(String path, String key, Client service) {
        return Listing.items(service.get(path)).stream().map(i -> Listing.text(i, key));
    }
}
