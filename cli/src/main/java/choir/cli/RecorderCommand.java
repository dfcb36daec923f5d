package choir.cli;

import picocli.CommandLine.Command;

@Command(
        name = "recorder",
        description = "Recorders: add them, see them, read what they hold.",
        subcommands = {
            RecorderAdd.class,
            RecorderList.class,
            RecorderShow.class,
            RecorderRead.class,
            RecorderPassword.class,
            RecorderRemove.class
        })
final class RecorderCommand {}
