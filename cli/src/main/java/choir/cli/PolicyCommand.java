package choir.cli;

import picocli.CommandLine.Command;

@Command(
        name = "policy",
        description = "Policy files.",
        subcommands = {PolicyLoad.class})
final class PolicyCommand {}
