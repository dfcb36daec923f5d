package choir.cli;

import java.util.Map;
import picocli.CommandLine.Command;
import picocli.CommandLine.Parameters;

@Command(name = "test", description = "Send something that nobody need act on.")
final class NoticeTest extends Act {
    @Parameters(paramLabel = "ID")
    private long id;

    @Override
    int run(Client service) {
        service.post("/api/v1/notices/" + id + "/test", Map.of());
        say("it goes out now; choir notice outbox says what became of it");
        return Failure.DONE;
    }
}
