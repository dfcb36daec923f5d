package choir.cli;

import java.util.Map;
import picocli.CommandLine.Command;
import picocli.CommandLine.Parameters;

@Command(name = "remove", description = "Remove a calendar that nothing speaks of.")
final class CalendarRemove extends Act {
    @Parameters(paramLabel = "CALENDAR")
    private String name = "";

    @Override
    int run(Client service) {
        var path = "/api/v1/calendars/" + Client.encode(name);
        service.write("DELETE", path, Map.of(), service.getWithVersion(path).version());
        say("removed the calendar " + name);
        return Failure.DONE;
    }
}
