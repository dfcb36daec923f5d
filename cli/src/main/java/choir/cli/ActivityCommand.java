package choir.cli;

import picocli.CommandLine.Command;

@Command(
        name = "activity",
        description = "What recorders recorded, by which trigger, and what their detection saw.",
        subcommands = {
            ActivityNow.class,
            ActivityCalendar.class,
            ActivityTimeline.class,
            ActivityCompare.class,
            ActivityMap.class,
            ActivitySearch.class,
            ActivityRead.class
        })
final class ActivityCommand {}
