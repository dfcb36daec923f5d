package choir.cli;

import java.util.Map;
import picocli.CommandLine.Command;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;

@Command(name = "add", description = "Let a person in; prints an invitation, once.")
final class UserAdd extends Act {
    @Parameters(paramLabel = "NAME")
    private String name = "";

    @Option(names = "--role", required = true, description = "viewer, technician, editor or administrator")
    private String role = "";

    @Override
    int run(Client service) {
        var invited = service.post("/api/v1/people", Map.of("name", name, "role", role));
        say(Invited.words(service.address(), invited));
        return Failure.DONE;
    }
}
