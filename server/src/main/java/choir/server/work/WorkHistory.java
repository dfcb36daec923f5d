package choir.server.work;

import choir.server.db.Database;
import java.time.Instant;
import java.util.Optional;
import org.springframework.stereotype.Component;

/** What was worked on, for whoever takes part in working and so cannot ask {@link Works}. */
@Component
public class WorkHistory {
    private final Database database;

    WorkHistory(Database database) {
        this.database = database;
    }

    /** The end of the first work of a kind that could be done. */
    public Optional<Instant> firstDone(Task.Kind kind) {
        return database.query("""
                        SELECT ended_at FROM work WHERE kind = :kind AND state IN ('DONE', 'PARTLY') ORDER BY id LIMIT 1
                        """)
                .param("kind", kind.name())
                .query((row, n) -> Instant.parse(row.getString("ended_at")))
                .optional();
    }

    /** The end of the last work of a kind that was about everything and could be done; by its text, as {@link TaskJson} writes it. */
    public Optional<Instant> lastDoneOfAll(Task.Kind kind) {
        return database.query("""
                        SELECT ended_at FROM work
                        WHERE kind = :kind AND instr(task, '"selection":""') > 0 AND state IN ('DONE', 'PARTLY')
                        ORDER BY id DESC LIMIT 1
                        """)
                .param("kind", kind.name())
                .query((row, n) -> Instant.parse(row.getString("ended_at")))
                .optional();
    }
}
