package choir.cli;

import picocli.CommandLine.Command;

@Command(name = "remove", description = "Remove a calendar that nothing speaks of.")
final class CalendarRemove extends Removes {
    @Override
    String kind() {
        return "calendar";
    }

    @Override
    String path() {
        return "/api/v1/calendars";
    }
}
