package choir.server.backup;

import choir.server.ServiceSettings;
import choir.server.db.Copies;
import choir.server.db.Database;
import choir.server.journal.Journal;
import choir.server.web.Problem;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Clock;
import java.time.Instant;
import java.time.ZoneOffset;
import java.time.format.DateTimeFormatter;
import java.util.Comparator;
import java.util.List;
import java.util.concurrent.locks.ReentrantLock;
import java.util.regex.Pattern;
import org.springframework.stereotype.Component;

/**
 * Copies of the database, each whole, of one moment, and looked through before it counts. The key to the recorders' passwords
 * is not in them; it is kept apart, since both together open every recorder.
 */
@Component
class Backups {
    private static final DateTimeFormatter TIME =
            DateTimeFormatter.ofPattern("yyyyMMdd'T'HHmmss.SSS'Z'").withZone(ZoneOffset.UTC);
    private static final Pattern NAME = Pattern.compile("choir-\\d{8}T\\d{6}\\.\\d{3}Z\\.db");

    /** @param at when it was made */
    record Backup(String name, long bytes, Instant at) {}

    private final Copies copies;
    private final Path folder;
    private final int kept;
    private final Database database;
    private final Journal journal;
    private final Clock clock;
    private final ReentrantLock making = new ReentrantLock();

    Backups(Copies copies, ServiceSettings settings, Database database, Journal journal, Clock clock) {
        this.copies = copies;
        this.folder = settings.data().resolve("backups");
        this.kept = settings.backupsKept();
        this.database = database;
        this.journal = journal;
        this.clock = clock;
    }

    Backup make(String who) {
        if (!making.tryLock()) {
            throw new Problem(Problem.Kind.CONFLICT, "a backup is being made already");
        }
        try {
            Copies.forgetBrokenOff(folder);
            var target = folder.resolve("choir-" + TIME.format(clock.instant()) + ".db");
            copies.make(target);
            var made = backup(target);
            forgetOld();
            database.write(() -> journal.add(who, "made a backup", made.name(), made.bytes() + " bytes"));
            return made;
        } finally {
            making.unlock();
        }
    }

    private void forgetOld() {
        all().stream().skip(kept).forEach(old -> {
            try {
                Files.deleteIfExists(folder.resolve(old.name()));
            } catch (IOException e) {
                throw new UncheckedIOException("the old backup " + old.name() + " could not be deleted", e);
            }
        });
    }

    /** The latest first. */
    List<Backup> all() {
        if (!Files.isDirectory(folder)) {
            return List.of();
        }
        try (var files = Files.list(folder)) {
            return files.filter(f -> NAME.matcher(f.getFileName().toString()).matches())
                    .map(Backups::backup)
                    .sorted(Comparator.comparing(Backup::name).reversed())
                    .toList();
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    private static Backup backup(Path file) {
        try {
            var name = file.getFileName().toString();
            var at = TIME.parse(name.substring("choir-".length(), name.length() - ".db".length()), Instant::from);
            return new Backup(name, Files.size(file), at);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    Path file(String name) {
        if (all().stream().noneMatch(b -> b.name().equals(name))) {
            throw Problem.notFound(
                    "backup", name, all().stream().map(Backup::name).toList());
        }
        return folder.resolve(name);
    }
}
