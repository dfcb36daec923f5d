package choir.cli;

import java.util.Map;
import picocli.CommandLine.Command;
import picocli.CommandLine.Parameters;

@Command(
        name = "confirm",
        description = "Tell a first code of it; prints codes for the day on which the authenticator is lost, once.")
final class SecondFactorConfirm extends Act {
    @Parameters(paramLabel = "CODE")
    private String code = "";

    @Override
    int run(Client service) {
        var codes = service.post("/api/v1/session/second-factor/confirmation", Map.of("code", code));
        say(
                "from now on a code is asked for when you sign in; each of these is good once instead of one, so keep them apart:");
        codes.path("codes").forEach(c -> say("  " + c.asString("")));
        return Failure.DONE;
    }
}
