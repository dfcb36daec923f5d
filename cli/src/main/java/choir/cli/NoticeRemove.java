package choir.cli;

import java.util.Optional;
import picocli.CommandLine.Command;
import picocli.CommandLine.Parameters;

@Command(name = "remove", description = "Tell somebody no longer; what still waits for them is dropped.")
final class NoticeRemove extends Act {
    @Parameters(paramLabel = "ID")
    private long id;

    @Override
    int run(Client service) {
        service.delete("/api/v1/notices/" + id, Optional.empty());
        say("notice " + id + " is gone");
        return Failure.DONE;
    }
}
