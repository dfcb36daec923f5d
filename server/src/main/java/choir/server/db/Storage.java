package choir.server.db;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.attribute.BasicFileAttributes;
import java.sql.DriverManager;
import java.sql.SQLException;
import java.util.ArrayList;
import java.util.List;
import java.util.Objects;
import java.util.Optional;
import java.util.concurrent.atomic.AtomicReference;
import org.jspecify.annotations.Nullable;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.sqlite.SQLiteErrorCode;
import org.sqlite.SQLiteException;

/**
 * Whether the file of the database can be relied on: that it is still there, that it is the one that was opened, and that the
 * last that was to be stored was. The system lets a program go on with a file that somebody deleted, and forgets all of it
 * when the program ends.
 */
final class Storage {
    private static final Logger LOG = LoggerFactory.getLogger(Storage.class);

    private final Path file;
    private volatile Runnable renew = () -> {};
    private volatile @Nullable Object opened;
    private final AtomicReference<@Nullable String> trouble = new AtomicReference<>();

    Storage(Path file) {
        this.file = file;
    }

    Path file() {
        return file;
    }

    /** @throws DataFolder.UnusableException in one line, when it is there and cannot be used */
    void requireUsable() {
        if (!Files.exists(file)) {
            return;
        }
        if (!Files.isWritable(file) || !Files.isWritable(file.toAbsolutePath().getParent())) {
            throw new DataFolder.UnusableException(
                    file + " cannot be written; give the service's user the right to, and to its folder", null);
        }
        try (var connection = DriverManager.getConnection("jdbc:sqlite:" + file.toAbsolutePath());
                var statement = connection.createStatement()) {
            List<String> names = new ArrayList<>();
            try (var tables = statement.executeQuery("SELECT name FROM sqlite_master WHERE type = 'table'")) {
                while (tables.next()) {
                    names.add(tables.getString(1));
                }
            }
            if (!names.isEmpty() && !names.contains("flyway_schema_history")) {
                throw new DataFolder.UnusableException(
                        file + " is the database of something else; name another folder with --choir.data", null);
            }
            // Reading all of a large one would take longer than anybody waits for a start.
            for (var name : names) {
                statement
                        .executeQuery("SELECT * FROM \"" + name.replace("\"", "\"\"") + "\" LIMIT 1")
                        .close();
            }
        } catch (SQLException e) {
            var said = String.valueOf(e.getMessage()).lines().findFirst().orElse("");
            throw new DataFolder.UnusableException(file + " is damaged (" + said + "); put a backup in its place", e);
        }
    }

    /**
     * From now on it has to stay this one.
     *
     * @param renew opens the connection that writes anew before its next use
     */
    void isOpen(Runnable renew) {
        this.renew = renew;
        opened = key();
    }

    private @Nullable Object key() {
        try {
            return Files.readAttributes(file, BasicFileAttributes.class).fileKey();
        } catch (IOException e) {
            return null;
        }
    }

    /** @throws StorageException when what would be stored now would be lost */
    void requireThere() {
        var known = opened;
        if (known != null && !Objects.equals(known, key())) {
            var words = file + (Files.exists(file) ? " is another file than was opened" : " was deleted")
                    + "; nothing is stored any more: stop the service, put the file or a backup in its place, start again";
            note(words);
            throw new StorageException(words);
        }
    }

    /** What a failure means, when it is one of storage. */
    Optional<StorageException> failed(Throwable failure) {
        for (Throwable at = failure; at != null; at = at.getCause()) {
            if (at instanceof SQLiteException sqlite) {
                return words(sqlite).map(words -> {
                    note(words);
                    if (code(sqlite) != SQLiteErrorCode.SQLITE_FULL) {
                        // What such a connection believes of its transaction need not be so.
                        renew.run();
                    }
                    return new StorageException(words, failure);
                });
            }
        }
        return Optional.empty();
    }

    private Optional<String> words(SQLiteException e) {
        return Optional.ofNullable(
                switch (code(e)) {
                    case SQLITE_FULL ->
                        "the disk of " + file + " is full; nothing was stored. Make room, and it goes on by itself";
                    case SQLITE_READONLY ->
                        file + " can only be read; nothing was stored. Let the service's user write it";
                    case SQLITE_IOERR, SQLITE_CANTOPEN ->
                        "the disk of " + file + " fails (" + line(e) + "); nothing was stored";
                    case SQLITE_CORRUPT, SQLITE_NOTADB ->
                        file + " is damaged (" + line(e) + "): stop the service and put a backup in its place";
                    default -> null;
                });
    }

    /** The code of its kind, without what tells more of it. */
    private static SQLiteErrorCode code(SQLiteException e) {
        return SQLiteErrorCode.getErrorCode(e.getResultCode().code & 0xFF);
    }

    private static String line(SQLiteException e) {
        return String.valueOf(e.getMessage()).lines().findFirst().orElse("");
    }

    private void note(String words) {
        if (!words.equals(trouble.getAndSet(words))) {
            LOG.error("{}", words);
        }
    }

    /** Something was stored. */
    void worked() {
        if (trouble.getAndSet(null) != null) {
            LOG.warn("{} takes what is stored again", file);
        }
    }

    /** Why nothing is stored; empty while it is. */
    Optional<String> trouble() {
        return Optional.ofNullable(trouble.get());
    }
}
