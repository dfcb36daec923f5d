package choir.cli;

import java.util.LinkedHashMap;
import java.util.Map;
import org.jspecify.annotations.Nullable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;

@Command(
        name = "add",
        description = "Make a token for a program; prints it, once.",
        footer = "A program that only looks needs --role viewer. CHOIR_TOKEN hands it to this client.")
final class TokenAdd extends Act {
    @Parameters(paramLabel = "LABEL", description = "what it is for")
    private String label = "";

    @Option(names = "--role", description = "what it lets in to at most (default: all that you may do)")
    private @Nullable String role;

    @Option(names = "--in", paramLabel = "GROUP", description = "where alone it lets in (default: wherever you may)")
    private @Nullable String place;

    @Option(names = "--days", description = "after so many it ends by itself")
    private @Nullable Integer days;

    @Override
    int run(Client service) {
        Map<String, Object> wish = new LinkedHashMap<>();
        wish.put("label", label);
        if (role != null) {
            wish.put("role", role);
        }
        if (place != null) {
            wish.put("place", place);
        }
        if (days != null) {
            wish.put("days", days);
        }
        say(Listing.text(service.post("/api/v1/tokens", wish), "token"));
        return Failure.DONE;
    }
}
