package choir.cli;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.util.Optional;
import java.util.Properties;
import picocli.CommandLine.IVersionProvider;

/** Which client this is, and whether it goes together with a service. */
final class Version implements IVersionProvider {
    private static final Properties SAID = said();

    private static Properties said() {
        var said = new Properties();
        try (var in = Version.class.getResourceAsStream("version.properties")) {
            if (in != null) {
                said.load(in);
            }
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
        return said;
    }

    static String number() {
        return SAID.getProperty("version", "0");
    }

    @Override
    public String[] getVersion() {
        var commit = SAID.getProperty("commit", "");
        return new String[] {
            "choir " + number()
                    + (commit.isEmpty() || commit.startsWith("$") ? ", commit not known" : ", commit " + commit)
        };
    }

    /**
     * What to say when client and service are not of one minor version, by which the interface is kept.
     *
     * @param service the version that the service says, or nothing
     */
    static Optional<String> doubt(String service) {
        return service.isEmpty() || minor(service).equals(minor(number()))
                ? Optional.empty()
                : Optional.of("this client is of version " + number() + " and the service of " + service
                        + "; take the client that came with the service");
    }

    private static String minor(String version) {
        var parts = version.split("\\.", -1);
        return parts.length < 2 ? version : parts[0] + "." + parts[1];
    }
}
