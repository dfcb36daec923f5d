package choir.cli;

import java.util.Map;
import java.util.Optional;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;
import tools.jackson.databind.JsonNode;

@Command(name = "set", description = "Give a person another role, or a new one-time password.")
final class UserSet extends Act {
    @Parameters(paramLabel = "NAME")
    private String name = "";

    @Mixin
    private Roles roles = new Roles();

    @Option(names = "--one-time-password", description = "for somebody who forgot theirs; their tokens end as well")
    private boolean renew;

    @Option(names = "--no-second-factor", description = "for somebody who lost theirs; their password is enough then")
    private boolean lost;

    @Override
    int run(Client service) {
        if (!roles.isSaid() && !renew && !lost) {
            throw new Failure(
                    Failure.WRONG_USAGE,
                    roles.isHalfSaid()
                            ? "say all roles that they are to have with it; choir user list tells those that they have"
                            : "say --role, --one-time-password or --no-second-factor");
        }
        var path = "/api/v1/people/" + Client.encode(name);
        if (roles.isSaid()) {
            service.write("PUT", path, roles.body(), Optional.empty());
            say(name + " is " + Roles.words(person(service)) + " now, and signs in again");
        }
        if (renew) {
            var invited = service.post(path + "/one-time-password", Map.of());
            say(Invited.words(service.address(), invited));
        }
        if (lost) {
            service.delete(path + "/second-factor", Optional.empty());
            say(name + " signs in by password alone");
        }
        return Failure.DONE;
    }

    private JsonNode person(Client service) {
        return Listing.items(service.get("/api/v1/people")).stream()
                .filter(p -> Listing.text(p, "name").equals(name))
                .findFirst()
                .orElseThrow(() -> new Failure(Failure.FAILED, "there is nobody of the name " + name + " any more"));
    }
}
