package choir.server.rollout;

import choir.rollout.StepState;
import choir.server.db.Database;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.time.Clock;
import java.util.List;
import java.util.Map;
import org.springframework.stereotype.Component;

/** The journal of rollouts: what each step is about to do, committed before it is done. */
@Component
class StepStore {
    private static final String STEP = """
            SELECT s.id, s.camera, c.recorder, c.channel, c.label, s.wave, s.state, s.changes, s.detail
            FROM rollout_step s JOIN camera c ON c.id = s.camera
            """;

    private final Database database;
    private final Clock clock;

    StepStore(Database database, Clock clock) {
        this.database = database;
        this.clock = clock;
    }

    List<Step> of(long rollout) {
        return database.query(STEP + " WHERE s.rollout = :rollout ORDER BY s.wave, c.recorder, c.channel")
                .param("rollout", rollout)
                .query(StepStore::step)
                .list();
    }

    Map<Long, String> previewed(long preview) {
        return database
                .query("SELECT camera, changes FROM preview_step WHERE preview = :preview ORDER BY camera")
                .param("preview", preview)
                .query((row, n) -> Map.entry(row.getLong("camera"), row.getString("changes")))
                .list()
                .stream()
                .collect(java.util.stream.Collectors.toMap(
                        Map.Entry::getKey, Map.Entry::getValue, (a, b) -> a, java.util.LinkedHashMap::new));
    }

    private static Step step(ResultSet row, int number) throws SQLException {
        return new Step(
                row.getLong("id"),
                row.getLong("camera"),
                row.getString("recorder"),
                row.getString("channel"),
                row.getString("label"),
                row.getInt("wave"),
                StepState.valueOf(row.getString("state")),
                StoredChanges.read(row.getString("changes")),
                row.getString("detail"));
    }

    /** To be called within the transaction that makes the rollout. */
    void add(long rollout, int wave, long camera, String changes) {
        database.change("""
                        INSERT INTO rollout_step (rollout, wave, camera, state, changes, updated_at)
                        VALUES (:rollout, :wave, :camera, 'PLANNED', :changes, :at)
                        """)
                .param("rollout", rollout)
                .param("wave", wave)
                .param("camera", camera)
                .param("changes", changes)
                .param("at", clock.instant().toString())
                .update();
    }

    /**
     * Moves a step on; to be called within a transaction.
     *
     * @throws IllegalStateException when the step is not where the caller believes it to be
     */
    void move(Step step, StepState from, StepState to, String detail) {
        if (!from.mayBecome(to)) {
            throw new IllegalStateException("a step that is " + from + " does not become " + to);
        }
        int moved = database.change("""
                        UPDATE rollout_step SET state = :to, detail = :detail, updated_at = :at
                        WHERE id = :id AND state = :from
                        """)
                .param("to", to.name())
                .param("detail", detail)
                .param("at", clock.instant().toString())
                .param("id", step.id())
                .param("from", from.name())
                .update();
        if (moved != 1) {
            throw new IllegalStateException("step " + step.id() + " is not " + from);
        }
    }
}
