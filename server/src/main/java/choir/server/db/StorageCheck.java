package choir.server.db;

import choir.server.checkup.Check;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.util.Locale;
import org.springframework.stereotype.Component;

/** Whether the database is there and takes what is stored, and for how much there is room. */
@Component
class StorageCheck implements Check {
    private static final long GIGABYTE = 1_000_000_000;
    private static final double LITTLE = 1 * GIGABYTE;

    private final Storage storage;

    StorageCheck(Storage storage) {
        this.storage = storage;
    }

    @Override
    public String about() {
        return "database";
    }

    @Override
    public Seen look() {
        try {
            storage.requireThere();
        } catch (StorageException e) {
            return Seen.wrong(String.valueOf(e.getMessage()), "put a backup in its place");
        }
        var trouble = storage.trouble();
        if (trouble.isPresent()) {
            return Seen.wrong(trouble.get(), "make room, or give the service the right to write");
        }
        try {
            long bytes = Files.size(storage.file());
            long free = Files.getFileStore(storage.file()).getUsableSpace();
            var words = gigabytes(bytes) + ", with " + gigabytes(free) + " of room on its disk";
            // A backup beside it takes as much again.
            return free < LITTLE || free < bytes
                    ? Seen.look(words + ", which is less than a backup of it takes", "make room on that disk")
                    : Seen.well(words);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    private static String gigabytes(long bytes) {
        return bytes < GIGABYTE / 10
                ? String.format(Locale.ROOT, "%.1f MB", bytes / 1e6)
                : String.format(Locale.ROOT, "%.1f GB", bytes / 1e9);
    }
}
