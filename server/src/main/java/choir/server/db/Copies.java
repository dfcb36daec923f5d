package choir.server.db;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.nio.file.attribute.PosixFilePermissions;
import java.sql.DriverManager;
import java.sql.SQLException;
import org.springframework.stereotype.Component;

/** Copies of the whole database as it is at one moment, by its own means, while others read and write. */
@Component
public class Copies {
    private static final String UNFINISHED = ".new";

    private final Storage storage;

    Copies(Storage storage) {
        this.storage = storage;
    }

    /**
     * The file appears once the copy is whole and was looked through.
     *
     * @throws StorageException when it cannot be made; nothing is left of it then
     */
    public void make(Path target) {
        var fresh = target.resolveSibling(target.getFileName() + UNFINISHED);
        try {
            Files.createDirectories(target.toAbsolutePath().getParent());
            Files.deleteIfExists(fresh);
            copy(fresh);
            Files.move(fresh, target, StandardCopyOption.ATOMIC_MOVE);
        } catch (SQLException | IOException e) {
            throw new StorageException("the copy " + target + " could not be made: " + e.getMessage(), e);
        }
    }

    /** What is left of copies during which the service ended. */
    public static void forgetBrokenOff(Path folder) {
        if (!Files.isDirectory(folder)) {
            return;
        }
        try (var files = Files.list(folder)) {
            for (var file : files.filter(f -> f.toString().endsWith(UNFINISHED)).toList()) {
                Files.deleteIfExists(file);
            }
        } catch (IOException e) {
            throw new StorageException("what is left of a broken off copy in " + folder + " cannot be deleted", e);
        }
    }

    private void copy(Path fresh) throws SQLException, IOException {
        boolean whole = false;
        try {
            try (var connection = DriverManager.getConnection(url(storage.file()) + "?open_mode=1");
                    var copy = connection.prepareStatement("VACUUM INTO ?")) {
                copy.setString(1, fresh.toAbsolutePath().toString());
                copy.execute();
            }
            requireWhole(fresh);
            closeToOthers(fresh);
            whole = true;
        } finally {
            if (!whole) {
                Files.deleteIfExists(fresh);
            }
        }
    }

    private static String url(Path file) {
        return "jdbc:sqlite:" + file.toAbsolutePath();
    }

    private static void requireWhole(Path copy) throws SQLException {
        try (var connection = DriverManager.getConnection(url(copy) + "?open_mode=1");
                var statement = connection.createStatement();
                var said = statement.executeQuery("PRAGMA integrity_check(1)")) {
            if (!said.next() || !"ok".equals(said.getString(1))) {
                throw new SQLException("the copy is not whole: " + said.getString(1));
            }
        }
    }

    private static void closeToOthers(Path file) throws IOException {
        try {
            Files.setPosixFilePermissions(file, PosixFilePermissions.fromString("rw-------"));
        } catch (UnsupportedOperationException e) {
            // A file system without such rights has its own.
        }
    }
}
