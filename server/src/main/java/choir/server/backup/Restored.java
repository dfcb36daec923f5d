package choir.server.backup;

import choir.server.account.Tokens;
import choir.server.db.DataFolder;
import choir.server.db.Database;
import choir.server.fleet.FleetStore;
import choir.server.journal.Journal;
import choir.server.reading.ObservationStore;
import choir.server.work.Works;
import jakarta.annotation.PostConstruct;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.time.Clock;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.stereotype.Component;

/**
 * What a service does first on a folder into which a backup was put: it knows how things were, and not how they are. What
 * recorders hold counts as not known until they are read, what was verified since then is forgotten, work that was under way
 * is not gone on with, and tokens that may have been taken back since let nobody in.
 */
@Component
class Restored {
    /** Put into the folder with the backup; says which it is. */
    private static final String MARK = "restored";

    private static final Logger LOG = LoggerFactory.getLogger(Restored.class);

    private final DataFolder folder;
    private final Database database;
    private final FleetStore fleet;
    private final ObservationStore observations;
    private final Works works;
    private final Tokens tokens;
    private final Journal journal;
    private final Clock clock;

    Restored(
            DataFolder folder,
            Database database,
            FleetStore fleet,
            ObservationStore observations,
            Works works,
            Tokens tokens,
            Journal journal,
            Clock clock) {
        this.folder = folder;
        this.database = database;
        this.fleet = fleet;
        this.observations = observations;
        this.works = works;
        this.tokens = tokens;
        this.journal = journal;
        this.clock = clock;
    }

    @PostConstruct
    void takeIn() {
        var mark = folder.path().resolve(MARK);
        if (!Files.exists(mark)) {
            return;
        }
        try {
            var which = Files.readString(mark).strip();
            database.write(() -> forgetWhatMayHaveChanged(which));
            Files.delete(mark);
            LOG.warn("{} was put in place; read the recorders, and sign in anew", which);
        } catch (IOException e) {
            throw new UncheckedIOException("what says that a backup was put in place cannot be read", e);
        }
    }

    private void forgetWhatMayHaveChanged(String which) {
        var now = clock.instant();
        for (var recorder : fleet.recorders()) {
            observations.distrust(recorder.name());
            if (recorder.address().isPresent()) {
                fleet.notReached(
                        recorder.name(),
                        recorder.name() + " was not read since " + which
                                + " was put in place; read it with: choir recorder read " + recorder.name(),
                        now);
            }
        }
        works.stopAll("who restored a backup");
        tokens.endAll();
        journal.add("choir", "restored a backup", which, "");
    }
}
