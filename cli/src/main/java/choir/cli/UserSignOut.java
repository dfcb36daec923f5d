package choir.cli;

import java.util.Optional;
import picocli.CommandLine.Command;
import picocli.CommandLine.Parameters;

@Command(
        name = "sign-out",
        description = "End everything that lets a person in without their password: sessions and tokens, at once.")
final class UserSignOut extends Act {
    @Parameters(paramLabel = "NAME")
    private String name = "";

    @Override
    int run(Client service) {
        service.delete("/api/v1/people/" + Client.encode(name) + "/sessions", Optional.empty());
        say(name + " is signed out everywhere");
        return Failure.DONE;
    }
}
