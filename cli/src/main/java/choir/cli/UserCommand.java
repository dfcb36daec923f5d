package choir.cli;

import picocli.CommandLine.Command;

@Command(
        name = "user",
        description = "Who may sign in, and as what.",
        subcommands = {
            UserList.class,
            UserAdd.class,
            UserSet.class,
            UserSessions.class,
            UserSignOut.class,
            UserRemove.class
        })
final class UserCommand {}
