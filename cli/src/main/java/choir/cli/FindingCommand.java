package choir.cli;

import picocli.CommandLine.Command;

@Command(
        name = "finding",
        description = "What is out of tune: see it, and end it on purpose.",
        subcommands = {
            FindingList.class,
            FindingGroups.class,
            FindingShow.class,
            FindingReapply.class,
            FindingAdopt.class,
            FindingAccept.class,
            FindingAssign.class
        })
final class FindingCommand {}
