package choir.cli;

import java.util.Map;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;

@Command(name = "set", description = "Give a person another role, or a new one-time password.")
final class UserSet extends Act {
    @Parameters(paramLabel = "NAME")
    private String name = "";

    @Option(names = "--role", description = "viewer, technician, editor or administrator")
    private @Nullable String role;

    @Option(names = "--one-time-password", description = "for somebody who forgot theirs; their tokens end as well")
    private boolean renew;

    @Override
    int run(Client service) {
        if (role == null && !renew) {
            throw new Failure(Failure.WRONG_USAGE, "say --role, --one-time-password or both");
        }
        var path = "/api/v1/people/" + Client.encode(name);
        if (role != null) {
            service.write("PUT", path, Map.of("role", role), Optional.empty());
            say(name + " is " + role + " now, and signs in again");
        }
        if (renew) {
            var invited = service.post(path + "/one-time-password", Map.of());
            say(Invited.words(service.address(), invited));
        }
        return Failure.DONE;
    }
}
