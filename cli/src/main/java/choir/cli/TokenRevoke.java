package choir.cli;

import java.util.Optional;
import picocli.CommandLine.Command;
import picocli.CommandLine.Parameters;

@Command(name = "revoke", description = "Make a token worthless.")
final class TokenRevoke extends Act {
    @Parameters(paramLabel = "ID")
    private long id;

    @Override
    int run(Client service) {
        service.delete("/api/v1/tokens/" + id, Optional.empty());
        say("revoked token " + id);
        return Failure.DONE;
    }
}
