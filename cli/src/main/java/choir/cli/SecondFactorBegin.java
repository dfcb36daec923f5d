package choir.cli;

import java.util.Map;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;

@Command(
        name = "begin",
        description = "Begin with a second factor: prints what the authenticator is told. Your password is asked for.")
final class SecondFactorBegin extends Act {
    @Mixin
    private Password password = new Password();

    @Override
    int run(Client service) {
        var begun = service.post("/api/v1/session/second-factor", Map.of("password", password.required()));
        say("the authenticator takes this address, or the secret " + Listing.text(begun, "secret") + " by hand:");
        say(Listing.text(begun, "uri"));
        say("then tell a first code of it: choir second-factor confirm CODE");
        return Failure.DONE;
    }
}
