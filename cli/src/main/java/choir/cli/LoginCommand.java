package choir.cli;

import java.net.URI;
import java.nio.file.Path;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Mixin;
import picocli.CommandLine.Option;

@Command(name = "login", description = "Sign this machine's client in; it keeps a token, not the password.")
final class LoginCommand extends Act {
    @Option(
            names = "--url",
            description = "address of the service (default: CHOIR_URL, else the one of last time)",
            paramLabel = "URL")
    private @Nullable URI url;

    @Option(names = "--user", required = true, paramLabel = "NAME", description = "who signs in")
    private String user = "";

    @Mixin
    private Password password = new Password();

    @Option(names = "--code", description = "of the authenticator, for those who have one; or one for recovery")
    private @Nullable String code;

    @Option(
            names = "--new-password",
            arity = "0",
            interactive = true,
            description = "is asked for and replaces the password, as a one-time password must be")
    private char @Nullable [] asked;

    @Option(names = "--new-password-file", paramLabel = "FILE", description = "whose first line that is")
    private @Nullable Path file;

    @Override
    public Integer call() {
        // A token that still lets in says that this person was here before, so that others' guesses do not shut them
        // out.
        return run(new Client(service(), home().tokenFor(service()), home().authorities()));
    }

    private URI service() {
        return url == null ? home().service() : url;
    }

    @Override
    int run(Client service) {
        say("signing in as " + user + " at " + service());
        var old = password.required();
        var fresh = asked != null
                ? Optional.of(new String(asked))
                : Optional.ofNullable(file).map(Password::firstLine);
        fresh.ifPresent(word ->
                service.post("/api/v1/session/password", with(Map.of("user", user, "old", old, "fresh", word))));
        var made = service.post(
                "/api/v1/session/token",
                with(Map.of("user", user, "password", fresh.orElse(old), "label", "choir on " + host())));
        home().remember(service(), Listing.text(made, "token"));
        say("signed in");
        return Failure.DONE;
    }

    private Map<String, String> with(Map<String, String> body) {
        Map<String, String> all = new LinkedHashMap<>(body);
        if (code != null) {
            all.put("code", code);
        }
        return all;
    }

    private static String host() {
        return Optional.ofNullable(System.getenv("HOSTNAME")).orElse("this machine");
    }
}
