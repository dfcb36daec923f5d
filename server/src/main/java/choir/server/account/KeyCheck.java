package choir.server.account;

import choir.server.ServiceSettings;
import choir.server.checkup.Check;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.attribute.PosixFilePermission;
import java.util.Set;
import org.springframework.stereotype.Component;

/** Whether the key to the recorders' passwords is still in its file, and there for the service alone. */
@Component
class KeyCheck implements Check {
    private static final Set<PosixFilePermission> OWN =
            Set.of(PosixFilePermission.OWNER_READ, PosixFilePermission.OWNER_WRITE);

    private final Path file;
    private final Secrets secrets;

    KeyCheck(ServiceSettings settings, Secrets secrets) {
        this.file = settings.data().resolve("key");
        this.secrets = secrets;
    }

    @Override
    public String about() {
        return "key";
    }

    @Override
    public Seen look() {
        if (!secrets.isKeptIn(file)) {
            return Seen.wrong(
                    "the key file " + file + " is not the one with which the service started; after the next start no"
                            + " recorder's password could be read",
                    "put the right key file in its place before the service ends");
        }
        try {
            if (!OWN.containsAll(Files.getPosixFilePermissions(file))) {
                return Seen.wrong("others can read the key file " + file, "chmod 600 " + file);
            }
        } catch (UnsupportedOperationException e) {
            // A file system without such rights has its own.
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
        return Seen.well("in its file, which the service alone can read");
    }
}
