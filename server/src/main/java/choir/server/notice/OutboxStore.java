package choir.server.notice;

import choir.server.db.Database;
import choir.server.stored.Json;
import java.nio.file.Path;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Component;

/** What is still to be told, and what was. */
@Component
class OutboxStore {
    enum State {
        WAITING,
        SENT,
        GIVEN_UP
    }

    /**
     * @param rule by which it goes out; empty for mail that belongs to none
     * @param mail to whom it goes when it belongs to no rule
     * @param facts as JSON
     */
    record Entry(
            long id,
            Optional<Long> rule,
            Optional<String> mail,
            Optional<Path> attachment,
            Instant createdAt,
            String kind,
            String subject,
            String body,
            String facts,
            State state,
            Instant nextAt,
            int attempts,
            String trouble,
            Optional<Instant> settledAt) {}

    private static final String ENTRY = """
            SELECT id, rule, mail, attachment, created_at, kind, subject, body, facts, state, next_at, attempts, trouble, settled_at
            FROM outbox
            """;
    private static final int AT_ONCE = 100;

    private final Database database;
    private final Clock clock;

    OutboxStore(Database database, Clock clock) {
        this.database = database;
        this.clock = clock;
    }

    /** To be called within the transaction of what it tells of. */
    void add(long rule, Notice notice, Instant due) {
        add(rule, null, null, notice, due);
    }

    /** Mail that belongs to no rule, with a file; to be called within the transaction of what it tells of. */
    void addMail(String to, Path attachment, Notice notice, Instant due) {
        add(null, to, attachment.toString(), notice, due);
    }

    private void add(
            @Nullable Long rule, @Nullable String mail, @Nullable String attachment, Notice notice, Instant due) {
        database.change("""
                        INSERT INTO outbox
                          (rule, mail, attachment, created_at, kind, subject, body, facts, state, next_at)
                        VALUES (:rule, :mail, :attachment, :now, :kind, :subject, :body, :facts, 'WAITING', :due)
                        """)
                .param("rule", rule)
                .param("mail", mail)
                .param("attachment", attachment)
                .param("now", clock.instant().toString())
                .param("kind", notice.kind())
                .param("subject", notice.subject())
                .param("body", notice.body())
                .param("facts", Json.ofMap(notice.facts()))
                .param("due", due.toString())
                .update();
    }

    List<Entry> due() {
        return database.query(ENTRY + " WHERE state = 'WAITING' AND next_at <= :now ORDER BY next_at LIMIT :most")
                .param("now", clock.instant().toString())
                .param("most", AT_ONCE)
                .query(OutboxStore::entry)
                .list();
    }

    /** The newest first. */
    List<Entry> newest(int limit) {
        return database.query(ENTRY + " ORDER BY id DESC LIMIT :limit")
                .param("limit", limit)
                .query(OutboxStore::entry)
                .list();
    }

    private static Entry entry(ResultSet row, int number) throws SQLException {
        return new Entry(
                row.getLong("id"),
                Optional.ofNullable(row.getString("rule")).map(Long::valueOf),
                Optional.ofNullable(row.getString("mail")),
                Optional.ofNullable(row.getString("attachment")).map(Path::of),
                Instant.parse(row.getString("created_at")),
                row.getString("kind"),
                row.getString("subject"),
                row.getString("body"),
                row.getString("facts"),
                State.valueOf(row.getString("state")),
                Instant.parse(row.getString("next_at")),
                row.getInt("attempts"),
                row.getString("trouble"),
                Optional.ofNullable(row.getString("settled_at")).map(Instant::parse));
    }

    void settle(long id, State state, String trouble) {
        database.write(() -> database.change("""
                        UPDATE outbox SET state = :state, trouble = :trouble, settled_at = :now, attempts = attempts + 1
                        WHERE id = :id AND state = 'WAITING'
                        """)
                .param("state", state.name())
                .param("trouble", trouble)
                .param("now", clock.instant().toString())
                .param("id", id)
                .update());
    }

    void tryAgain(long id, Instant next, String trouble) {
        database.write(() -> database.change("""
                        UPDATE outbox SET next_at = :next, trouble = :trouble, attempts = attempts + 1
                        WHERE id = :id AND state = 'WAITING'
                        """)
                .param("next", next.toString())
                .param("trouble", trouble)
                .param("id", id)
                .update());
    }

    /** What is settled is kept for a while, so that a person can see that it went out. */
    void forgetBefore(Duration age) {
        database.write(() -> database.change("DELETE FROM outbox WHERE settled_at < :before")
                .param("before", clock.instant().minus(age).toString())
                .update());
    }
}
