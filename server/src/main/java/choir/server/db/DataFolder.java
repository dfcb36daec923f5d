package choir.server.db;

import choir.server.ServiceSettings;
import java.io.IOException;
import java.nio.channels.FileChannel;
import java.nio.channels.FileLock;
import java.nio.channels.OverlappingFileLockException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardOpenOption;
import java.nio.file.attribute.PosixFilePermissions;
import java.time.Instant;
import java.time.temporal.ChronoUnit;
import org.jspecify.annotations.Nullable;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.stereotype.Component;

/**
 * The folder that holds what is recorded where, and the key to the recorders' passwords. One service holds it at a time; the
 * system lets go of it when that service ends, however it does.
 */
@Component
public final class DataFolder implements AutoCloseable {
    private static final Logger LOG = LoggerFactory.getLogger(DataFolder.class);

    /** It cannot be used, with what to do about it. */
    public static final class UnusableException extends RuntimeException {
        UnusableException(String message, @Nullable Throwable cause) {
            super(message, cause);
        }
    }

    private final Path folder;
    private final FileChannel channel;
    private final FileLock lock;

    DataFolder(ServiceSettings settings) {
        this.folder = settings.data();
        try {
            Files.createDirectories(folder);
            closeToOthers(folder);
            // The words are beside the lock, since on some systems nobody can read what is locked.
            var words = folder.resolve("held-by");
            channel = FileChannel.open(folder.resolve("lock"), StandardOpenOption.CREATE, StandardOpenOption.WRITE);
            lock = locked(words);
            Files.write(
                    words,
                    ("process " + ProcessHandle.current().pid() + " since "
                                    + Instant.now().truncatedTo(ChronoUnit.SECONDS))
                            .getBytes(StandardCharsets.UTF_8));
        } catch (IOException e) {
            throw new UnusableException("the data folder " + folder + " cannot be used: " + e.getMessage(), e);
        }
    }

    private FileLock locked(Path words) throws IOException {
        try {
            var taken = channel.tryLock();
            if (taken != null) {
                return taken;
            }
        } catch (OverlappingFileLockException e) {
            // Another service in this very process.
        }
        channel.close();
        throw new UnusableException(
                "the data folder " + folder + " is held by another service (" + holder(words)
                        + "); stop that one, or name another folder with --choir.data",
                null);
    }

    private static String holder(Path words) {
        try {
            return Files.readString(words);
        } catch (IOException e) {
            return "which one is not known";
        }
    }

    public Path path() {
        return folder;
    }

    private static void closeToOthers(Path folder) {
        try {
            Files.setPosixFilePermissions(folder, PosixFilePermissions.fromString("rwx------"));
        } catch (UnsupportedOperationException e) {
            // A file system without such rights has its own.
        } catch (IOException e) {
            LOG.warn("the data folder {} may be open to other users of this machine: {}", folder, e.getMessage());
        }
    }

    @Override
    public void close() throws IOException {
        lock.release();
        channel.close();
    }
}
