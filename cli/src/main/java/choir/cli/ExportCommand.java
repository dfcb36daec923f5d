package choir.cli;

import picocli.CommandLine.Command;

@Command(
        name = "export",
        description = "Tables of what is known, by day, as Parquet or CSV, for programs that look at years of a fleet.",
        footer = "Each night by: choir audit plan add \"30 5 * * *\" --export",
        subcommands = {ExportList.class, ExportTake.class, ExportRun.class})
final class ExportCommand {}
