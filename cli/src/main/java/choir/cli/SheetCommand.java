package choir.cli;

import picocli.CommandLine.Command;

@Command(
        name = "sheet",
        description = "Work sheets: what a person has to set at a recorder without a network interface.",
        subcommands = {SheetShow.class, SheetTick.class})
final class SheetCommand {}
