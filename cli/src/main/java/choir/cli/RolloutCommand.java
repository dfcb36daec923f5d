package choir.cli;

import picocli.CommandLine.Command;

@Command(
        name = "rollout",
        description = "Give policy out to the recorders, in waves, each step verified by reading back.",
        subcommands = {
            RolloutStart.class,
            RolloutList.class,
            RolloutShow.class,
            RolloutApprove.class,
            RolloutPause.class,
            RolloutResume.class,
            RolloutStop.class,
            RolloutUndo.class
        })
final class RolloutCommand {}
