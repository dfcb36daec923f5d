package choir.cli;

import java.util.Optional;
import picocli.CommandLine.Command;
import picocli.CommandLine.Parameters;

@Command(name = "remove", description = "Remove a family that was added here and that no recorder is of.")
final class FamilyRemove extends Act {
    @Parameters(paramLabel = "FAMILY")
    private String name = "";

    @Override
    int run(Client service) {
        service.delete("/api/v1/families/" + Client.encode(name), Optional.empty());
        say("removed the family " + name);
        return Failure.DONE;
    }
}
