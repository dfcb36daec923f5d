package choir.cli;

import picocli.CommandLine.Command;

@Command(
        name = "trial",
        description = "Motion settings tried on clips: what would be caught, what missed, what would be best.",
        subcommands = {TrialRun.class, TrialCompare.class, TrialSuggest.class, TrialFactor.class})
final class TrialCommand {}
