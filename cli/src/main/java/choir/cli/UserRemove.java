package choir.cli;

import picocli.CommandLine.Command;
import picocli.CommandLine.Parameters;

@Command(name = "remove", description = "Let a person in no more; what they did stays in the journal.")
final class UserRemove extends Act {
    @Parameters(paramLabel = "NAME")
    private String name = "";

    @Override
    int run(Client service) {
        service.delete("/api/v1/people/" + Client.encode(name), java.util.Optional.empty());
        say(name + " is out");
        return Failure.DONE;
    }
}
