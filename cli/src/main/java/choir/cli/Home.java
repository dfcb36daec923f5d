package choir.cli;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.net.URI;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.nio.file.attribute.FileAttribute;
import java.nio.file.attribute.PosixFilePermission;
import java.nio.file.attribute.PosixFilePermissions;
import java.util.Map;
import java.util.Optional;
import java.util.Properties;
import java.util.Set;

/**
 * Where the client remembers its service and token: {@code CHOIR_HOME}, else {@code ~/.choir}. The environment's {@code
 * CHOIR_URL} and {@code CHOIR_TOKEN} come first.
 */
final class Home {
    private static final FileAttribute<Set<PosixFilePermission>> ONLY_MINE =
            PosixFilePermissions.asFileAttribute(PosixFilePermissions.fromString("rw-------"));

    static final URI USUAL = URI.create("http://127.0.0.1:7480");

    private final Path file;
    private final Map<String, String> environment;

    Home(Map<String, String> environment) {
        this(folder(environment), environment);
    }

    private Home(Path folder, Map<String, String> environment) {
        this.file = folder.resolve("client.properties");
        this.environment = environment;
    }

    private static Path folder(Map<String, String> environment) {
        var set = environment.get("CHOIR_HOME");
        return set == null ? Path.of(System.getProperty("user.home"), ".choir") : Path.of(set);
    }

    Home inFolder(Path folder) {
        return new Home(folder, environment);
    }

    /** Does not take a person's sign-in to another service away; that one is then kept in the other place alone. */
    void rememberUnlessBusy(URI service, String token, Home otherwise) {
        otherwise.remember(service, token);
        var known = known().getProperty("service");
        if (known == null || known.equals(service.toString())) {
            remember(service, token);
        }
    }

    private Properties known() {
        var properties = new Properties();
        if (Files.exists(file)) {
            try (var in = Files.newBufferedReader(file)) {
                properties.load(in);
            } catch (IOException e) {
                throw new UncheckedIOException(e);
            }
        }
        return properties;
    }

    Client client() {
        return new Client(service(), token(), authorities());
    }

    /** A file of the client's own that only the user may read; made when it is not there. */
    Path privateFile(String name) {
        var own = file.resolveSibling(name);
        try {
            Files.createDirectories(own.getParent());
            if (!Files.exists(own)) {
                Files.createFile(own, ONLY_MINE);
            }
            return own;
        } catch (IOException e) {
            throw new Failure(Failure.FAILED, own + " cannot be made: " + e.getMessage());
        }
    }

    Map<String, String> environment() {
        return environment;
    }

    URI service() {
        return setting("CHOIR_URL", "service").map(URI::create).orElse(USUAL);
    }

    /** The token for that service; none for another than was signed in to last. */
    Optional<String> tokenFor(URI service) {
        return service.equals(service()) ? token() : Optional.empty();
    }

    /** The file of who vouches for the service, where Java does not know them. */
    Optional<Path> authorities() {
        return Optional.ofNullable(environment.get("CHOIR_CA"))
                .filter(v -> !v.isBlank())
                .map(Path::of);
    }

    private Optional<String> token() {
        return setting("CHOIR_TOKEN", "token");
    }

    private Optional<String> setting(String variable, String property) {
        return Optional.ofNullable(this.environment.get(variable))
                .filter(v -> !v.isBlank())
                .or(() -> Optional.ofNullable(known().getProperty(property)));
    }

    /** Only the user may read the file. */
    void remember(URI service, String token) {
        var properties = new Properties();
        properties.setProperty("service", service.toString());
        properties.setProperty("token", token);
        try {
            Files.createDirectories(file.getParent());
            var fresh = Files.createTempFile(file.getParent(), "client", ".new", ONLY_MINE);
            try (var out = Files.newBufferedWriter(fresh)) {
                properties.store(out, null);
            }
            Files.move(fresh, file, StandardCopyOption.ATOMIC_MOVE, StandardCopyOption.REPLACE_EXISTING);
        } catch (IOException e) {
            throw new Failure(Failure.FAILED, "the token cannot be kept in " + file + ": " + e.getMessage());
        }
    }
}
