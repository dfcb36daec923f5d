package choir.cli;

import picocli.CommandLine.Command;

@Command(
        name = "override",
        description = "Overrides: what is put straight on groups and cameras. They are made by: choir set.",
        subcommands = OverrideList.class)
final class OverrideCommand {}
