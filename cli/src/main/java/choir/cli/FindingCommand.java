package choir.cli;

import picocli.CommandLine.Command;

@Command(
        name = "finding",
        description = "What is out of tune: see it, and end it on purpose.",
        subcommands = {FindingList.class, FindingShow.class, FindingReapply.class})
final class FindingCommand {}
