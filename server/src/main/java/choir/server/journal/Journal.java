package choir.server.journal;

import choir.server.db.Database;
import java.time.Clock;
import java.util.List;
import org.springframework.stereotype.Component;

/** Who did what, when and why. Entries are only ever added, in the same transaction as the change they tell of. */
@Component
public class Journal {
    public record Entry(long id, String at, String who, String act, String subject, String detail) {}

    private final Database database;
    private final Clock clock;

    Journal(Database database, Clock clock) {
        this.database = database;
        this.clock = clock;
    }

    /** An entry that tells of nothing else in the database. */
    public void addAlone(String who, String act, String subject, String detail) {
        database.write(() -> add(who, act, subject, detail));
    }

    public void add(String who, String act, String subject, String detail) {
        database.change(
                        "INSERT INTO journal (at, who, act, subject, detail) VALUES (:at, :who, :act, :subject, :detail)")
                .param("at", clock.instant().toString())
                .param("who", who)
                .param("act", act)
                .param("subject", subject)
                .param("detail", detail)
                .update();
    }

    /** The newest first, below that id; of one subject, or of all when that is empty. */
    List<Entry> before(long id, String subject, int limit) {
        var which = subject.isEmpty() ? "id < :id" : "subject = :subject AND id < :id";
        return database.query("SELECT id, at, who, act, subject, detail FROM journal WHERE " + which
                        + " ORDER BY id DESC LIMIT :limit")
                .param("id", id)
                .param("subject", subject)
                .param("limit", limit)
                .query(Entry.class)
                .list();
    }
}
