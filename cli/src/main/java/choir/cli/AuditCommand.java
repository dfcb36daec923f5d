package choir.cli;

import picocli.CommandLine.Command;

@Command(
        name = "audit",
        description = "Compare what cameras should have with what their recorders hold.",
        subcommands = {AuditRun.class, AuditList.class, AuditShow.class, AuditHistory.class, PlanCommand.class})
final class AuditCommand {}
