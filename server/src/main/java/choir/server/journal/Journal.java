package choir.server.journal;

import choir.server.db.Database;
import java.time.Clock;
import java.util.List;
import java.util.Optional;
import java.util.OptionalLong;
import org.springframework.stereotype.Component;

/**
 * Who did what, when and why. Entries are only ever added, in the same transaction as the change they tell of, and each is
 * sealed together with all that came before it.
 */
@Component
public class Journal {
    public record Entry(long id, String at, String who, String act, String subject, String detail) {}

    /**
     * What came of looking the seals through.
     *
     * @param entries how many there are
     * @param last the newest entry with its seal; empty when there is none
     * @param broken the first entry whose seal does not fit; empty when all do
     */
    record Sealing(long entries, Optional<Sealed> last, OptionalLong broken) {}

    record Sealed(Entry entry, Seal seal) {}

    private static final int AT_ONCE = 5_000;
    private static final List<String> CHANGES_NOTHING = List.of(
            "signed in",
            "signed out",
            "failed to sign in",
            "looks at footage",
            "looks at live pictures",
            "took a table out",
            "took a report out",
            "made a backup",
            "let go of what is past its time");

    private final Database database;
    private final Clock clock;

    Journal(Database database, Clock clock) {
        this.database = database;
        this.clock = clock;
    }

    /** Within the transaction of the change it tells of, or in one of its own. */
    public void add(String who, String act, String subject, String detail) {
        // Which is the last and what follows it is one transaction, whoever calls.
        database.write(() -> append(who, act, subject, detail));
    }

    /**
     * What others than this person did after that entry, the oldest first; without what changes nothing, such as signing in,
     * looking at footage, or taking a report.
     */
    public List<Entry> changesAfter(long id, String person, int most) {
        return database.query("""
                        SELECT id, at, who, act, subject, detail FROM journal
                        WHERE id > :id AND who <> :person AND act NOT IN (:idle)
                        ORDER BY id LIMIT :most
                        """)
                .param("id", id)
                .param("person", person)
                .param("idle", CHANGES_NOTHING)
                .param("most", most)
                .query(Entry.class)
                .list();
    }

    private void append(String who, String act, String subject, String detail) {
        var last = database.change("SELECT id, seal FROM journal WHERE id = (SELECT max(id) FROM journal)")
                .query((row, n) -> new Last(row.getLong("id"), new Seal(row.getString("seal"))))
                .optional()
                .orElse(new Last(0, Seal.NONE));
        // The first that is sealed after entries that were not is sealed over all of them.
        var before = last.id() > 0 && last.seal().isMissing() ? overAll(last.id()) : last.seal();
        var entry = new Entry(last.id() + 1, clock.instant().toString(), who, act, subject, detail);
        database.change("""
                        INSERT INTO journal (id, at, who, act, subject, detail, seal)
                        VALUES (:id, :at, :who, :act, :subject, :detail, :seal)
                        """)
                .param("id", entry.id())
                .param("at", entry.at())
                .param("who", who)
                .param("act", act)
                .param("subject", subject)
                .param("detail", detail)
                .param("seal", before.over(entry).text())
                .update();
    }

    private record Last(long id, Seal seal) {}

    private Seal overAll(long until) {
        return look(until).reached();
    }

    /** @param reached the seal over all that was looked at */
    private record Look(long entries, Optional<Sealed> last, OptionalLong broken, Seal reached) {}

    private Look look(long until) {
        long entries = 0;
        long id = 0;
        var seal = Seal.NONE;
        Optional<Sealed> last = Optional.empty();
        var broken = OptionalLong.empty();
        List<Sealed> some;
        do {
            some = after(id, until);
            for (var one : some) {
                seal = seal.over(one.entry());
                if (broken.isEmpty() && !one.seal().isMissing() && !one.seal().equals(seal)) {
                    broken = OptionalLong.of(one.entry().id());
                }
                id = one.entry().id();
                last = Optional.of(one);
            }
            entries += some.size();
        } while (some.size() == AT_ONCE);
        return new Look(entries, last, broken, seal);
    }

    private List<Sealed> after(long id, long until) {
        return database.query("""
                        SELECT id, at, who, act, subject, detail, seal FROM journal WHERE id > :id AND id <= :until
                        ORDER BY id LIMIT :most
                        """)
                .param("id", id)
                .param("until", until)
                .param("most", AT_ONCE)
                .query((row, n) -> new Sealed(
                        new Entry(
                                row.getLong("id"),
                                row.getString("at"),
                                row.getString("who"),
                                row.getString("act"),
                                row.getString("subject"),
                                row.getString("detail")),
                        new Seal(row.getString("seal"))))
                .list();
    }

    /** Reads all of it, a part at a time. */
    Sealing sealing() {
        var look = look(Long.MAX_VALUE);
        return new Sealing(look.entries(), look.last(), look.broken());
    }

    /** The seal of one entry; empty when there is no such entry. */
    Optional<Seal> sealOf(long id) {
        return database.query("SELECT seal FROM journal WHERE id = :id")
                .param("id", id)
                .query((row, n) -> new Seal(row.getString("seal")))
                .optional();
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
