package choir.cli;

import java.nio.file.Path;
import java.util.Map;
import java.util.Optional;
import picocli.CommandLine.Command;
import picocli.CommandLine.Parameters;

@Command(name = "import", description = "Make a calendar from iCalendar, or replace its dates.")
final class CalendarImport extends Act {
    @Parameters(index = "0", paramLabel = "CALENDAR")
    private String name = "";

    @Parameters(index = "1", paramLabel = "FILE", description = "iCalendar (RFC 5545) with events of whole days")
    private Path file = Path.of("");

    @Override
    int run(Client service) {
        var written = service.write(
                "PUT", "/api/v1/calendars/" + Client.encode(name), Map.of("ical", Texts.read(file)), Optional.of("*"));
        var dates = service.get("/api/v1/calendars/" + Client.encode(name)).path("dates");
        say("the calendar " + name + " has " + dates.size() + (dates.size() == 1 ? " entry" : " entries"));
        written.path("leftOut").forEach(why -> say("left out: " + why.asString("")));
        return Failure.DONE;
    }
}
