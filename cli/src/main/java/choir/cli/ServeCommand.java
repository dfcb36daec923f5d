package choir.cli;

import picocli.CommandLine.Command;

/** Known here for its help; the launcher starts the service itself, so that signals reach it. */
@Command(
        name = "serve",
        description = "Run the service alone, on loopback; its data stay in .choir/data or in $CHOIR_DATA.",
        footer = "Further words go to the service, such as --server.port=7490.")
final class ServeCommand extends Act {
    @Override
    int run(Client service) {
        throw new Failure(Failure.WRONG_USAGE, "the service is started by the launcher: ./choir serve");
    }
}
