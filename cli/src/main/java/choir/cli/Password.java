package choir.cli;

import java.io.BufferedReader;
import java.io.IOException;
import java.io.InputStreamReader;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import picocli.CommandLine.Option;

/**
 * A password: asked for, or read from a file. It is no argument, since whoever is signed in to the same machine can read
 * those, and shells keep them.
 */
final class Password {
    private static final Set<String> ASKED_FOR = Set.of("--password", "--new-password");

    @Option(names = "--password", interactive = true, arity = "0", description = "is asked for")
    private char @Nullable [] asked;

    @Option(
            names = "--password-file",
            paramLabel = "FILE",
            description = "whose first line it is; - for the standard input")
    private @Nullable Path file;

    /** @throws Failure for a line that holds one, before anything repeats it */
    static void refuseInArguments(List<String> arguments) {
        for (int i = 0; i < arguments.size(); i++) {
            var argument = arguments.get(i);
            boolean joined = ASKED_FOR.stream().anyMatch(o -> argument.startsWith(o + "="));
            boolean follows = ASKED_FOR.contains(argument)
                    && i + 1 < arguments.size()
                    && !arguments.get(i + 1).startsWith("-");
            if (joined || follows) {
                var option = joined ? argument.substring(0, argument.indexOf('=')) : argument;
                throw new Failure(
                        Failure.WRONG_USAGE,
                        "a password does not stand in an argument, where others on this machine can read it; let it be"
                                + " asked for by " + option + " as the last word, or use " + option + "-file FILE");
            }
        }
    }

    Optional<String> given() {
        return asked != null
                ? Optional.of(new String(asked))
                : Optional.ofNullable(file).map(Password::firstLine);
    }

    String required() {
        return given().orElseThrow(() ->
                new Failure(Failure.WRONG_USAGE, "say --password to be asked for it, or --password-file FILE"));
    }

    static String firstLine(Path file) {
        if (!file.toString().equals("-")) {
            return Texts.read(file).lines().findFirst().orElse("");
        }
        try {
            var line = new BufferedReader(new InputStreamReader(System.in, StandardCharsets.UTF_8)).readLine();
            return line == null ? "" : line;
        } catch (IOException e) {
            throw new Failure(Failure.FAILED, "the standard input cannot be read: " + e.getMessage());
        }
    }
}
