package choir.cli;

import picocli.CommandLine.Command;

@Command(
        name = "token",
        description = "Your tokens.",
        subcommands = {TokenList.class, TokenAdd.class, TokenRevoke.class})
final class TokenCommand {}
