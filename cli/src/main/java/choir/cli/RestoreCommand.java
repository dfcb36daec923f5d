package choir.cli;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.nio.file.attribute.PosixFilePermissions;
import java.util.Arrays;
import java.util.concurrent.Callable;
import org.jspecify.annotations.Nullable;
import picocli.CommandLine.Command;
import picocli.CommandLine.Model.CommandSpec;
import picocli.CommandLine.Option;
import picocli.CommandLine.Parameters;
import picocli.CommandLine.Spec;

@Command(
        name = "restore",
        description = "Put a backup into a new data folder, for a service that is started on it then.",
        footer =
                "The service then knows how things were, and not how they are: every recorder is to be read, nothing that was"
                        + " under way goes on, and everybody signs in anew.")
final class RestoreCommand implements Callable<Integer> {
    private static final byte[] HEADER = "SQLite format 3\0".getBytes(StandardCharsets.US_ASCII);

    @Parameters(paramLabel = "BACKUP", description = "a file that choir backup made")
    private Path backup = Path.of("");

    @Option(
            names = "--data",
            required = true,
            paramLabel = "FOLDER",
            description = "the new data folder, empty or not there yet")
    private Path data = Path.of("");

    @Option(
            names = "--key",
            paramLabel = "FILE",
            description =
                    "the key file of the old data folder; without it the recorders' passwords have to be told anew")
    private @Nullable Path key;

    @Spec
    private @Nullable CommandSpec spec;

    @Override
    public Integer call() {
        try {
            requireBackup();
            requireEmpty();
            Files.createDirectories(data);
            Files.setPosixFilePermissions(data, PosixFilePermissions.fromString("rwx------"));
            if (key != null) {
                put(key, "key");
            }
            // The service goes by this mark, so it is there before the database is.
            Files.writeString(data.resolve("restored"), "the backup " + backup.getFileName());
            // It appears whole or not at all.
            put(backup, "choir.db.new");
            Files.move(data.resolve("choir.db.new"), data.resolve("choir.db"), StandardCopyOption.ATOMIC_MOVE);
        } catch (IOException e) {
            throw new Failure(Failure.FAILED, "the backup cannot be put in place: " + e.getMessage());
        }
        var out = java.util.Objects.requireNonNull(spec).commandLine().getOut();
        out.println("put into " + data + "; start the service with: choir serve --choir.data=" + data);
        if (key == null) {
            out.println("tell each recorder's password anew with: choir recorder password NAME --user USER --password");
        }
        out.flush();
        return Failure.DONE;
    }

    private void requireBackup() throws IOException {
        if (!Files.isRegularFile(backup)) {
            throw new Failure(Failure.FAILED, "there is no file " + backup);
        }
        try (var in = Files.newInputStream(backup)) {
            if (!Arrays.equals(in.readNBytes(HEADER.length), HEADER)) {
                throw new Failure(Failure.FAILED, backup + " is no backup that choir backup made");
            }
        }
    }

    private void requireEmpty() throws IOException {
        if (!Files.exists(data)) {
            return;
        }
        try (var files = Files.list(data)) {
            if (files.findAny().isPresent()) {
                throw new Failure(Failure.FAILED, data + " is not empty; a backup is put into a new folder");
            }
        }
    }

    private void put(Path from, String name) throws IOException {
        var target = data.resolve(name);
        Files.createFile(target, PosixFilePermissions.asFileAttribute(PosixFilePermissions.fromString("rw-------")));
        try (var out = Files.newOutputStream(target)) {
            Files.copy(from, out);
        }
    }
}
