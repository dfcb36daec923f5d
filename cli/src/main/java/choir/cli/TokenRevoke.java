package choir.cli;

import java.util.Optional;
import org.jspecify.annotations.Nullable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;

@Command(name = "revoke", description = "Make a token worthless.")
final class TokenRevoke extends Act {
    @Parameters(paramLabel = "ID")
    private long id;

    @Option(names = "--of", paramLabel = "NAME", description = "somebody else's, for administrators")
    private @Nullable String of;

    @Override
    int run(Client service) {
        service.delete(TokenList.path(of) + "/" + id, Optional.empty());
        say("revoked token " + id);
        return Failure.DONE;
    }
}
