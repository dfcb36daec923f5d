package choir.cli;

import picocli.CommandLine.Command;

@Command(name = "show", description = "A calendar in the form of policy files.")
final class CalendarShow extends ShowsText {
    @Override
    String path() {
        return "/api/v1/calendars";
    }
}
