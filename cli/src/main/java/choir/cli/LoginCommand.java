package choir.cli;

import java.net.URI;
import java.util.Map;
import java.util.Optional;
import picocli.CommandLine.Command;
import picocli.CommandLine.Option;

@Command(name = "login", description = "Sign this machine's client in; it keeps a token, not the password.")
final class LoginCommand extends Act {
    @Option(names = "--url", description = "address of the service", paramLabel = "URL")
    private URI url = Home.USUAL;

    @Option(names = "--user", required = true)
    private String user = "";

    @Option(names = "--password", arity = "0..1", interactive = true, required = true)
    private char[] password = new char[0];

    @Override
    public Integer call() {
        return run(new Client(url, Optional.empty()));
    }

    @Override
    int run(Client service) {
        var made = service.post(
                "/api/v1/session/token",
                Map.of("user", user, "password", new String(password), "label", "choir on " + host()));
        home().remember(url, Listing.text(made, "token"));
        say("signed in as " + user + " at " + url);
        return Failure.DONE;
    }

    private static String host() {
        return Optional.ofNullable(System.getenv("HOSTNAME")).orElse("this machine");
    }
}
