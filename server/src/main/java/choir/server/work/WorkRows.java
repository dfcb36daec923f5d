package choir.server.work;

import choir.server.db.Database;
import choir.server.web.Problem;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.time.Clock;
import java.time.Instant;
import java.util.List;
import java.util.Optional;
import org.springframework.stereotype.Component;

/** Work as its table holds it. Each move from state to state has its condition in the statement. */
@Component
class WorkRows {
    private static final String WORK = """
            SELECT id, kind, state, task, who, total, done, failed, note, created_at, started_at, ended_at, approved_by
            FROM work
            """;

    /** What a person may ask of work, with what is wrong when it is not in a state for it. */
    enum Wish {
        STOP("has ended, or is stopping already", """
                UPDATE work SET stopped_by = :who, paused_by = NULL,
                  state = CASE WHEN state IN ('PAUSED', 'ASKED') THEN 'WAITING' ELSE state END
                WHERE id = :id AND state IN ('ASKED', 'WAITING', 'RUNNING', 'PAUSED') AND stopped_by IS NULL
                """),
        PAUSE("has ended, or is paused or stopping already", """
                UPDATE work SET paused_by = :who
                WHERE id = :id AND state IN ('WAITING', 'RUNNING') AND stopped_by IS NULL AND paused_by IS NULL
                """),
        RESUME("is not paused", """
                UPDATE work SET paused_by = NULL, note = 'taken up again by ' || :who,
                  state = CASE state WHEN 'PAUSED' THEN 'WAITING' ELSE state END
                WHERE id = :id AND state IN ('WAITING', 'RUNNING', 'PAUSED') AND paused_by IS NOT NULL
                """),
        APPROVE("does not wait for a second person", """
                UPDATE work SET state = 'WAITING', approved_by = :who, note = 'let go by ' || :who
                WHERE id = :id AND state = 'ASKED' AND who <> :who AND stopped_by IS NULL
                """);

        private final String otherwise;
        private final String sql;

        Wish(String otherwise, String sql) {
            this.otherwise = otherwise;
            this.sql = sql;
        }
    }

    private final Database database;
    private final Clock clock;

    WorkRows(Database database, Clock clock) {
        this.database = database;
        this.clock = clock;
    }

    /** To be called within a transaction. */
    long add(Task task, String who, Work.State state, String note) {
        return database.change("""
                        INSERT INTO work (kind, state, task, who, note, created_at)
                        VALUES (:kind, :state, :task, :who, :note, :at) RETURNING id
                        """)
                .param("state", state.name())
                .param("note", note)
                .param("kind", task.kind().name())
                .param("task", TaskJson.write(task))
                .param("who", who)
                .param("at", clock.instant().toString())
                .query(Long.class)
                .single();
    }

    Work get(long id) {
        return database.query(WORK + " WHERE id = :id")
                .param("id", id)
                .query(WorkRows::work)
                .optional()
                .orElseThrow(() -> new Problem(Problem.Kind.NOT_FOUND, "there is no work " + id));
    }

    List<Work> newest(Task.Kind kind, int limit) {
        return database.query(WORK + " WHERE kind = :kind ORDER BY id DESC LIMIT :limit")
                .param("kind", kind.name())
                .param("limit", limit)
                .query(WorkRows::work)
                .list();
    }

    List<Work> asked() {
        return database.query(WORK + " WHERE state = 'ASKED' ORDER BY id")
                .query(WorkRows::work)
                .list();
    }

    /** What has not ended, and nobody asked to stop. */
    List<Long> going() {
        return database.query("""
                        SELECT id FROM work
                        WHERE state IN ('ASKED', 'WAITING', 'RUNNING', 'PAUSED') AND stopped_by IS NULL ORDER BY id
                        """).query(Long.class).list();
    }

    /** What is to be taken up at the start. */
    List<Long> interrupted() {
        return database.query("SELECT id FROM work WHERE state IN ('WAITING', 'RUNNING') ORDER BY id")
                .query(Long.class)
                .list();
    }

    private static Work work(ResultSet row, int number) throws SQLException {
        return new Work(
                row.getLong("id"),
                TaskJson.read(Task.Kind.valueOf(row.getString("kind")), row.getString("task")),
                Work.State.valueOf(row.getString("state")),
                row.getString("who"),
                row.getInt("total"),
                row.getInt("done"),
                row.getInt("failed"),
                row.getString("note"),
                Instant.parse(row.getString("created_at")),
                Optional.ofNullable(row.getString("started_at")).map(Instant::parse),
                Optional.ofNullable(row.getString("ended_at")).map(Instant::parse),
                Optional.ofNullable(row.getString("approved_by")));
    }

    /** @return false when it rests, has ended, or nobody let it go yet */
    boolean begin(long id) {
        return database.write(() -> database.change("""
                                UPDATE work SET state = 'RUNNING', started_at = coalesce(started_at, :at)
                                WHERE id = :id AND state IN ('WAITING', 'RUNNING')
                                """)
                        .param("at", clock.instant().toString())
                        .param("id", id)
                        .update())
                == 1;
    }

    /** @return false when it was taken up again meanwhile */
    boolean rest(long id) {
        return database.write(() -> database.change("""
                                UPDATE work SET state = 'PAUSED', note = 'paused by ' || paused_by
                                WHERE id = :id AND state = 'RUNNING' AND paused_by IS NOT NULL
                                """).param("id", id).update()) == 1;
    }

    /**
     * To be called within a transaction.
     *
     * @return false when it had ended already
     */
    boolean end(long id, Work.State state, String note) {
        return database.change("""
                                UPDATE work SET state = :state, note = :note, ended_at = :at
                                WHERE id = :id AND state IN ('WAITING', 'RUNNING')
                                """)
                        .param("state", state.name())
                        .param("note", note)
                        .param("at", clock.instant().toString())
                        .param("id", id)
                        .update()
                == 1;
    }

    /** @throws Problem when it is not in a state for it */
    void wish(long id, Wish wish, String who) {
        get(id);
        int taken = database.write(() ->
                database.change(wish.sql).param("who", who).param("id", id).update());
        if (taken == 0) {
            throw new Problem(Problem.Kind.CONFLICT, "work " + id + " " + wish.otherwise);
        }
    }

    /** Who asked for it to stop. */
    Optional<String> stoppedBy(long id) {
        return askedBy(id, "stopped_by");
    }

    /** Who asked for it to rest. */
    Optional<String> pausedBy(long id) {
        return askedBy(id, "paused_by");
    }

    private Optional<String> askedBy(long id, String column) {
        return database.query("SELECT " + column + " FROM work WHERE id = :id AND " + column + " IS NOT NULL")
                .param("id", id)
                .query(String.class)
                .optional();
    }

    void begun(long id, int total, int done, int failed) {
        database.write(
                () -> database.change("UPDATE work SET total = :total, done = :done, failed = :failed WHERE id = :id")
                        .param("total", total)
                        .param("done", done)
                        .param("failed", failed)
                        .param("id", id)
                        .update());
    }

    void step(long id, boolean failed) {
        database.write(
                () -> database.change("UPDATE work SET done = done + 1, failed = failed + :failed WHERE id = :id")
                        .param("failed", failed ? 1 : 0)
                        .param("id", id)
                        .update());
    }

    void tell(long id, String note) {
        database.write(() -> database.change("UPDATE work SET note = :note WHERE id = :id")
                .param("note", note)
                .param("id", id)
                .update());
    }
}
