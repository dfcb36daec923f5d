package choir.server.web;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.util.Optional;
import java.util.Properties;
import org.springframework.stereotype.Component;

/** Which service this is. */
@Component
public class Version {
    /** By which whoever has come in is told with each answer, so that clients see whether they go together with it. */
    public static final String HEADER = "Choir-Version";

    private final String number;
    private final Optional<String> commit;

    Version() {
        var said = new Properties();
        try (var in = Version.class.getResourceAsStream("/choir/server/version.properties")) {
            if (in != null) {
                said.load(in);
            }
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
        this.number = said.getProperty("version", "0");
        // Built outside of a checkout, the place for it was left as it is.
        this.commit = Optional.ofNullable(said.getProperty("commit")).filter(c -> !c.startsWith("$") && !c.isEmpty());
    }

    public String number() {
        return number;
    }

    /** Such as {@code 0.1.0, commit 1a2b3c4}. */
    @Override
    public String toString() {
        return number + commit.map(c -> ", commit " + c).orElse("");
    }
}
