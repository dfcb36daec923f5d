package choir.cli;

import picocli.CommandLine.Command;

@Command(
        name = "response",
        description =
                "What else happens when something moves (mail, still, sound, program, upload): whether it was tried,"
                        + " and came.",
        subcommands = {ResponseList.class, ResponseTry.class, ResponseCame.class})
final class ResponseCommand {}
