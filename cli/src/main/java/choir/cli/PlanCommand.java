package choir.cli;

import picocli.CommandLine.Command;

@Command(
        name = "plan",
        description = "Audits at set times.",
        subcommands = {PlanList.class, PlanAdd.class, PlanRemove.class})
final class PlanCommand {}
