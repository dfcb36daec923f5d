package choir.server.standing;

import choir.drift.Drift;
import choir.server.ChoirService;
import choir.server.db.Database;
import choir.server.stored.Json;
import java.io.IOException;
import java.net.URISyntaxException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Instant;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.atomic.AtomicReference;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.apache.commons.codec.digest.DigestUtils;
import org.jspecify.annotations.Nullable;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.stereotype.Component;

/**
 * The summaries of a snapshot, stored so that a restart need not work out what was known. They hold for a day and for the
 * program that made them, and only when nothing that cameras stand on was changed since; else they are not there.
 */
@Component
class KeptSummaries {
    private static final Logger LOG = LoggerFactory.getLogger(KeptSummaries.class);
    private static final int AT_ONCE = 500;

    private final Database database;
    private final String program;
    /** Of which the table holds the summaries; null when that is not known. */
    private final AtomicReference<@Nullable Snapshot> written = new AtomicReference<>();

    KeptSummaries(Database database) {
        this.database = database;
        this.program = program();
    }

    /** Which program it is, since another may come to other results. Times of files tell nothing: builds are reproducible. */
    private static String program() {
        return Stream.of(ChoirService.class, Drift.class)
                .map(KeptSummaries::content)
                .collect(Collectors.joining(" "));
    }

    private static String content(Class<?> of) {
        try {
            var source = Path.of(
                    of.getProtectionDomain().getCodeSource().getLocation().toURI());
            return Files.isDirectory(source) ? newest(source) : hash(source);
        } catch (URISyntaxException | IOException | RuntimeException e) {
            LOG.warn(
                    "nobody can tell which program this is, so standings are worked out at each start: {}",
                    e.toString());
            return "started " + System.nanoTime();
        }
    }

    private static String hash(Path archive) throws IOException {
        return DigestUtils.sha256Hex(Files.readAllBytes(archive));
    }

    /** Of classes that were just compiled. */
    private static String newest(Path folder) throws IOException {
        try (var files = Files.walk(folder)) {
            return files.map(f -> f.toFile().lastModified())
                    .max(Comparator.naturalOrder())
                    .map(Instant::ofEpochMilli)
                    .map(Instant::toString)
                    .orElse("");
        }
    }

    private String basis(LocalDate day) {
        return day + " " + program;
    }

    /** How many transactions have changed something that cameras stand on. */
    long changes() {
        return database.query("SELECT changes FROM standing_age")
                .query(Long.class)
                .single();
    }

    /** By recorder; empty when they do not hold today. */
    Optional<Map<String, Summary>> of(LocalDate day) {
        boolean hold = database.query("SELECT changes = kept AND basis = :basis FROM standing_age")
                .param("basis", basis(day))
                .query(Boolean.class)
                .single();
        if (!hold) {
            return Optional.empty();
        }
        try {
            Map<String, Summary> all = new HashMap<>();
            database.query("SELECT recorder, summary FROM standing").query(row -> {
                all.put(row.getString("recorder"), SummaryJson.read(row.getString("summary")));
            });
            return Optional.of(all);
        } catch (Json.UnreadableException e) {
            LOG.warn("stored standings cannot be understood and are worked out anew: {}", e.getMessage());
            return Optional.empty();
        }
    }

    /** The snapshot was made of what the table holds. */
    void areOf(Snapshot snapshot) {
        written.compareAndSet(null, snapshot);
    }

    /** @param number of the last change that is in the snapshot */
    synchronized void keep(Snapshot snapshot, long number) {
        var before = written.get();
        if (snapshot == before) {
            return;
        }
        written.set(null);
        var fresh = snapshot.blocks().stream()
                .filter(b -> before == null || before.block(b.name()).orElse(null) != b)
                .toList();
        database.write(() -> {
            database.change("UPDATE standing_age SET kept = -1").update();
            if (before == null) {
                database.change("DELETE FROM standing").update();
            } else {
                gone(before, snapshot)
                        .forEach(name -> database.change("DELETE FROM standing WHERE recorder = :recorder")
                                .param("recorder", name)
                                .update());
            }
        });
        for (int from = 0; from < fresh.size(); from += AT_ONCE) {
            var part = fresh.subList(from, Math.min(from + AT_ONCE, fresh.size()));
            database.write(() -> part.forEach(this::put));
        }
        database.write(() -> database.change("UPDATE standing_age SET kept = :number, basis = :basis")
                .param("number", number)
                .param("basis", basis(snapshot.day()))
                .update());
        written.set(snapshot);
    }

    private static List<String> gone(Snapshot before, Snapshot now) {
        List<String> gone = new ArrayList<>();
        before.blocks().stream()
                .map(Block::name)
                .filter(n -> now.block(n).isEmpty())
                .forEach(gone::add);
        return gone;
    }

    private void put(Block block) {
        database.change("""
                        INSERT INTO standing (recorder, summary) VALUES (:recorder, :summary)
                        ON CONFLICT (recorder) DO UPDATE SET summary = :summary
                        """)
                .param("recorder", block.name())
                .param("summary", SummaryJson.write(block.summary()))
                .update();
    }
}
