package choir.cli;

import picocli.CommandLine.Command;

@Command(
        name = "calendar",
        description = "Calendars: dates on which special days let another plan hold.",
        subcommands = {
            CalendarList.class,
            CalendarShow.class,
            CalendarEdit.class,
            CalendarImport.class,
            CalendarExport.class,
            CalendarRemove.class
        })
final class CalendarCommand {}
