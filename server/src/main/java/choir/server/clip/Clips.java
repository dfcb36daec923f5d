package choir.server.clip;

import choir.fleet.Node;
import choir.footage.Decoder;
import choir.footage.FootageException;
import choir.footage.Source;
import choir.motion.Mark;
import choir.server.ServiceSettings;
import choir.server.db.Database;
import choir.server.fleet.FleetStore;
import choir.server.journal.Journal;
import choir.server.reading.Decoding;
import choir.server.reading.FootageDoor;
import choir.server.reading.Seeing;
import choir.server.web.Problem;
import jakarta.annotation.PreDestroy;
import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardOpenOption;
import java.nio.file.attribute.PosixFilePermissions;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.Semaphore;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.scheduling.annotation.Scheduled;
import org.springframework.stereotype.Component;

/**
 * Takes footage from recorders and files, keeps it for as long as somebody said, and lets go of it. What is only looked at
 * goes after an hour. A file without a row, which a service left that died, goes too.
 */
@Component
class Clips {
    static final Duration LONGEST = Duration.ofMinutes(30);
    private static final Duration LOOK = Duration.ofHours(1);
    private static final Duration DEADLINE = Duration.ofMinutes(3);
    private static final Duration SHORT = Duration.ofSeconds(30);
    private static final long LARGEST = 2L << 30;
    private static final long MOST_DAYS = 3_650;
    private static final int MOST_MARKS = 200;
    private static final int AT_ONCE = 4;
    private static final Logger LOG = LoggerFactory.getLogger(Clips.class);

    private final ClipStore store;
    private final FootageDoor door;
    private final Decoding decoding;
    private final FleetStore fleet;
    private final Database database;
    private final Journal journal;
    private final Clock clock;
    private final Path folder;
    private final Semaphore places = new Semaphore(AT_ONCE);
    /** Files that are being written and have no row yet. */
    private final Set<String> underWay = ConcurrentHashMap.newKeySet();

    private final Set<Seeing> playing = ConcurrentHashMap.newKeySet();

    Clips(
            ClipStore store,
            FootageDoor door,
            Decoding decoding,
            FleetStore fleet,
            Database database,
            Journal journal,
            ServiceSettings settings,
            Clock clock) {
        this.store = store;
        this.door = door;
        this.decoding = decoding;
        this.fleet = fleet;
        this.database = database;
        this.journal = journal;
        this.clock = clock;
        this.folder = settings.data().resolve("clips");
    }

    Decoder decoder() {
        return decoding.decoder();
    }

    Path file(Clip clip) {
        return folder.resolve(clip.file());
    }

    /** Takes a stretch of what was recorded; it ends earlier where the footage has a gap. */
    Clip take(Node.Camera named, Instant from, Instant until, String who) {
        if (from.isAfter(clock.instant())) {
            throw new Problem(Problem.Kind.INVALID, "there is no footage of what has not happened yet (" + from + ")");
        }
        if (!from.isBefore(until) || Duration.between(from, until).compareTo(LONGEST) > 0) {
            throw new Problem(
                    Problem.Kind.INVALID,
                    "from has to lie before until, and at most " + LONGEST.toMinutes() + " minutes before it");
        }
        var camera = fleet.camera(named);
        return withPlace(() -> {
            try (var played = door.recorded(camera.camera(), from, until)) {
                return kept(
                        camera.id(),
                        camera.camera(),
                        camera.label(),
                        new Seeing.OfStream(played),
                        Clip.Origin.RECORDED,
                        DEADLINE,
                        who);
            }
        });
    }

    /** Takes what is played until it ends or is closed. */
    Clip kept(
            long id,
            Node.Camera camera,
            String label,
            Seeing played,
            Clip.Origin origin,
            Duration deadline,
            String who) {
        var name = newName();
        playing.add(played);
        underWay.add(name);
        try {
            var file = folder().resolve(name);
            try {
                decoder().keep(played.source(), file, deadline, LARGEST);
            } catch (FootageException e) {
                throw played.trouble()
                        .<RuntimeException>map(t -> t)
                        .orElseGet(() -> new Problem(
                                Problem.Kind.RECORDER,
                                played.begins().isEmpty()
                                        ? camera + " has no footage of that time"
                                        : "the footage of " + camera + " cannot be taken: " + e.getMessage()));
            }
            var begins = played.begins().orElseThrow();
            return stored(id, camera, label, begins, file, origin, who);
        } finally {
            playing.remove(played);
            underWay.remove(name);
        }
    }

    private Clip stored(
            long id, Node.Camera camera, String label, Instant begins, Path file, Clip.Origin origin, String who) {
        var length = decoder().length(file, SHORT).orElse(Duration.ZERO);
        if (length.isZero()) {
            delete(file);
            throw new Problem(Problem.Kind.INVALID, "that holds no moving picture");
        }
        var now = clock.instant();
        var clip = new Clip(
                0,
                id,
                camera,
                label,
                begins,
                begins.plus(length),
                origin,
                file.getFileName().toString(),
                size(file),
                Optional.empty(),
                who,
                now,
                now.plus(LOOK),
                Optional.empty());
        return database.write(() -> {
            long row = store.add(clip);
            journal.add(
                    who,
                    "looks at footage",
                    camera.text(),
                    clip.begins() + " to " + clip.ends() + ", " + origin.word());
            return store.get(row);
        });
    }

    /** Footage that a person brings as a file; only the model of motion knows it, and no recorder. */
    Clip add(Node.Camera named, Instant begins, InputStream content, String who) {
        var camera = fleet.camera(named);
        return withPlace(() -> {
            var brought = newName();
            var name = newName();
            underWay.add(brought);
            underWay.add(name);
            var file = folder().resolve(name);
            try {
                try (var out = Files.newOutputStream(folder().resolve(brought), StandardOpenOption.CREATE_NEW)) {
                    copy(content, out);
                }
                // Of whatever it is, the pictures alone are kept, with their times.
                decoder().keep(Source.File.whole(folder().resolve(brought)), file, DEADLINE, LARGEST);
                return stored(camera.id(), camera.camera(), camera.label(), begins, file, Clip.Origin.FILE, who);
            } catch (FootageException e) {
                delete(file);
                throw new Problem(Problem.Kind.INVALID, "that is no footage that can be read; " + e.getMessage());
            } catch (IOException e) {
                throw new UncheckedIOException("the footage cannot be stored", e);
            } finally {
                delete(folder().resolve(brought));
                underWay.remove(brought);
                underWay.remove(name);
            }
        });
    }

    private static void copy(InputStream in, java.io.OutputStream out) throws IOException {
        byte[] some = new byte[1 << 16];
        long all = 0;
        for (int n = in.read(some); n >= 0; n = in.read(some)) {
            all += n;
            if (all > LARGEST) {
                throw new Problem(
                        Problem.Kind.INVALID,
                        "a file of footage has at most " + (LARGEST >> 30) + " GiB; cut it first");
            }
            out.write(some, 0, n);
        }
    }

    /** From now on it is kept, and goes by itself after so many days. */
    Clip keep(long id, String because, long days, String who) {
        if (because.isBlank()) {
            throw new Problem(Problem.Kind.INVALID, "footage is kept for a reason; say because what");
        }
        if (days < 1 || days > MOST_DAYS) {
            throw new Problem(Problem.Kind.INVALID, "footage is kept for 1 to " + MOST_DAYS + " days, not " + days);
        }
        return database.write(() -> {
            var clip = store.get(id);
            if (!store.keep(id, because.strip(), clock.instant().plus(Duration.ofDays(days)))) {
                throw new Problem(Problem.Kind.NOT_FOUND, "there is no clip " + id);
            }
            journal.add(
                    who,
                    "keeps footage",
                    clip.camera().text(),
                    clip.begins() + " to " + clip.ends() + " for " + days + " days: " + because.strip());
            return store.get(id);
        });
    }

    List<ClipStore.StoredMark> mark(long id, Mark mark, String who) {
        return database.write(() -> {
            var clip = store.get(id);
            if (mark.from().isBefore(clip.begins()) || mark.until().isAfter(clip.ends())) {
                throw new Problem(
                        Problem.Kind.INVALID,
                        "clip " + id + " goes from " + clip.begins() + " to " + clip.ends() + "; " + mark.from()
                                + " to " + mark.until() + " is not in it");
            }
            List<Mark> all = new ArrayList<>(
                    store.marks(id).stream().map(ClipStore.StoredMark::mark).toList());
            all.add(mark);
            if (all.size() > MOST_MARKS) {
                throw new Problem(Problem.Kind.INVALID, "a clip has at most " + MOST_MARKS + " marks");
            }
            Mark.agree(all);
            store.mark(id, mark, who);
            journal.add(
                    who,
                    "marks footage as " + mark.kind().name().toLowerCase(java.util.Locale.ROOT),
                    clip.camera().text(),
                    mark.from() + " to " + mark.until() + ": " + mark.word());
            return store.marks(id);
        });
    }

    List<ClipStore.StoredMark> unmark(long id, long mark, String who) {
        return database.write(() -> {
            var clip = store.get(id);
            if (!store.unmark(id, mark)) {
                throw new Problem(Problem.Kind.NOT_FOUND, "clip " + id + " has no mark " + mark);
            }
            journal.add(who, "takes back a mark", clip.camera().text(), "clip " + id);
            return store.marks(id);
        });
    }

    void remove(long id, String who) {
        var clip = database.write(() -> {
            var found = store.get(id);
            store.remove(id);
            journal.add(
                    who,
                    "removes footage",
                    found.camera().text(),
                    found.begins() + " to " + found.ends()
                            + found.because().map(b -> ", kept because " + b).orElse(""));
            return found;
        });
        delete(file(clip));
    }

    /** What is over goes, and so do files that nobody knows. */
    @Scheduled(fixedDelayString = "PT1M", initialDelayString = "PT20S")
    void sweep() {
        for (var clip : store.past(clock.instant())) {
            delete(file(clip));
            database.write(() -> {
                store.remove(clip.id());
                if (clip.isKept()) {
                    journal.add(
                            "choir",
                            "removes footage",
                            clip.camera().text(),
                            clip.begins() + " to " + clip.ends() + ", whose days are over");
                }
            });
        }
        if (Files.isDirectory(folder)) {
            // Those under way are looked at first, so that one that has got its row meanwhile is known by either.
            Set<String> known = new java.util.HashSet<>(underWay);
            try (var files = Files.list(folder)) {
                var there = files.toList();
                known.addAll(underWay);
                known.addAll(store.files());
                there.stream()
                        .filter(f -> !known.contains(f.getFileName().toString()))
                        .forEach(Clips::delete);
            } catch (IOException e) {
                LOG.warn("the folder of clips cannot be looked through: {}", e.getMessage());
            }
        }
    }

    /** A service that stops leaves no stream behind. */
    @PreDestroy
    void stop() {
        playing.forEach(Seeing::close);
    }

    private <T> T withPlace(java.util.function.Supplier<T> work) {
        if (!places.tryAcquire()) {
            throw new Problem(Problem.Kind.TOO_MANY, "footage is being taken for others; ask again soon");
        }
        try {
            return work.get();
        } finally {
            places.release();
        }
    }

    private static String newName() {
        return UUID.randomUUID() + ".mkv";
    }

    private Path folder() {
        try {
            if (!Files.isDirectory(folder)) {
                Files.createDirectories(folder);
                if (folder.getFileSystem().supportedFileAttributeViews().contains("posix")) {
                    Files.setPosixFilePermissions(folder, PosixFilePermissions.fromString("rwx------"));
                }
            }
            return folder;
        } catch (IOException e) {
            throw new UncheckedIOException("the folder of clips " + folder + " cannot be made", e);
        }
    }

    private static long size(Path file) {
        try {
            return Files.size(file);
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    private static void delete(Path file) {
        try {
            Files.deleteIfExists(file);
        } catch (IOException e) {
            LOG.warn("{} cannot be removed: {}", file, e.getMessage());
        }
    }
}
