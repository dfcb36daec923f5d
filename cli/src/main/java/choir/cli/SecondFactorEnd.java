package choir.cli;

import java.util.Map;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Option;

@Command(name = "end", description = "Do without it again. Your password is asked for.")
final class SecondFactorEnd extends Act {
    @Option(names = "--code", required = true, description = "of the authenticator, or one for recovery")
    private String code = "";

    @Mixin
    private Password password = new Password();

    @Override
    int run(Client service) {
        service.post("/api/v1/session/second-factor/end", Map.of("password", password.required(), "code", code));
        say("your password is enough from now on");
        return Failure.DONE;
    }
}
