package choir.cli;

import picocli.CommandLine.Command;

@Command(
        name = "policy",
        description = "Policy files: the whole policy as text that can be kept, compared and reviewed.",
        subcommands = {PolicyLoad.class, PolicyCheck.class, PolicySave.class})
final class PolicyCommand {}
