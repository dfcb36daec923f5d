package choir.cli;

import picocli.CommandLine.Command;
import picocli.CommandLine.Parameters;

@Command(name = "export", description = "Print a calendar as iCalendar.")
final class CalendarExport extends Act {
    @Parameters(paramLabel = "CALENDAR")
    private String name = "";

    @Override
    int run(Client service) {
        out().print(Listing.text(service.get("/api/v1/calendars/" + Client.encode(name) + "/ical"), "ical"));
        out().flush();
        return Failure.DONE;
    }
}
