package choir.server.backup;

import choir.server.db.Change;
import choir.server.db.DataFolder;
import choir.server.db.Database;
import choir.server.fleet.FleetStore;
import choir.server.fleet.StoredRecorder;
import choir.server.journal.Journal;
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
    private final Journal journal;
    private final Clock clock;

    Restored(DataFolder folder, Database database, FleetStore fleet, Journal journal, Clock clock) {
        this.folder = folder;
        this.database = database;
        this.fleet = fleet;
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
        database.change("DELETE FROM baseline").update();
        database.change("DELETE FROM token").update();
        database.change("""
                        UPDATE recorder SET tried_at = :now, why_not = name || ' was not read since ' || :which
                          || ' was put in place; read it with: choir recorder read ' || name
                        WHERE address <> ''
                        """)
                .param("now", clock.instant().toString())
                .param("which", which)
                .update();
        database.change("""
                        UPDATE work SET stopped_by = :who, paused_by = NULL,
                          state = CASE WHEN state IN ('PAUSED', 'ASKED') THEN 'WAITING' ELSE state END
                        WHERE state IN ('ASKED', 'WAITING', 'RUNNING', 'PAUSED') AND stopped_by IS NULL
                        """).param("who", "who restored a backup").update();
        fleet.recorders().stream()
                .map(StoredRecorder::name)
                .forEach(name -> database.tell(new Change.RecorderChanged(name)));
        journal.add("choir", "restored a backup", which, "");
    }
}
