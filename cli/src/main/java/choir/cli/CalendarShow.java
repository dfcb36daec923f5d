package choir.cli;

import picocli.CommandLine.Command;
import picocli.CommandLine.Parameters;

@Command(name = "show", description = "A calendar in the form of policy files.")
final class CalendarShow extends Act {
    @Parameters(paramLabel = "CALENDAR")
    private String name = "";

    @Override
    int run(Client service) {
        out().print(Listing.text(service.get("/api/v1/calendars/" + Client.encode(name)), "text"));
        out().flush();
        return Failure.DONE;
    }
}
