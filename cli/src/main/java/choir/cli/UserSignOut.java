package choir.cli;

import java.util.Optional;
import org.jspecify.annotations.Nullable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;

@Command(
        name = "sign-out",
        description = "End everything that lets a person in without their password: sessions and tokens, at once.")
final class UserSignOut extends Act {
    @Parameters(paramLabel = "NAME")
    private String name = "";

    @Option(names = "--session", paramLabel = "SESSION", description = "only this one; see: choir user sessions NAME")
    private @Nullable String session;

    @Override
    int run(Client service) {
        if (session != null) {
            service.delete(UserSessions.path(name) + "/" + Client.encode(session), Optional.empty());
            say("ended session " + session + " of " + name);
            return Failure.DONE;
        }
        service.delete("/api/v1/people/" + Client.encode(name) + "/sessions", Optional.empty());
        say(name + " is signed out everywhere");
        return Failure.DONE;
    }
}
