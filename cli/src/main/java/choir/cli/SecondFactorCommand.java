package choir.cli;

import picocli.CommandLine.Command;

@Command(
        name = "second-factor",
        description = "A code of an authenticator beside your password.",
        subcommands = {SecondFactorBegin.class, SecondFactorConfirm.class, SecondFactorEnd.class})
final class SecondFactorCommand {}
