package choir.server.rollout;

import choir.fleet.Node;
import choir.fleet.RecorderName;
import choir.policy.SettingKey;
import choir.rollout.Change;
import choir.rollout.Journalled;
import choir.rollout.StepState;
import choir.server.db.Database;
import choir.server.fleet.StoredCamera;
import choir.server.stored.ChangesJson;
import choir.server.stored.JournalledJson;
import choir.server.stored.Json;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.time.Clock;
import java.util.EnumMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.springframework.stereotype.Component;

/** The journal of rollouts: what each step is about to do, committed before it is done. */
@Component
class StepStore {
    private static final String STEP =
            "SELECT id, camera, recorder, channel, label, wave, state, changes, outcome, detail FROM rollout_step ";
    private static final String STEP_OF_ROLLOUT = """
            SELECT id, camera, recorder, channel, label, wave, state, changes, outcome, detail, rollout FROM rollout_step
            """;
    private static final String OPEN = " AND state IN ('PLANNED', 'WRITING', 'UNSETTLED') ";

    private final Database database;
    private final Clock clock;

    StepStore(Database database, Clock clock) {
        this.database = database;
        this.clock = clock;
    }

    List<Step> of(long rollout) {
        return database.query(STEP + "WHERE rollout = :rollout ORDER BY wave, recorder, channel")
                .param("rollout", rollout)
                .query(StepStore::step)
                .list();
    }

    List<Step> of(long rollout, String recorder) {
        return database.query(STEP + "WHERE rollout = :rollout AND recorder = :recorder ORDER BY wave, channel")
                .param("rollout", rollout)
                .param("recorder", recorder)
                .query(StepStore::step)
                .list();
    }

    /** Those of one recorder in a wave that are not settled yet. */
    List<Step> open(long rollout, int wave, String recorder) {
        return database.query(STEP + "WHERE rollout = :rollout AND wave = :wave AND recorder = :recorder" + OPEN
                        + "ORDER BY channel")
                .param("rollout", rollout)
                .param("wave", wave)
                .param("recorder", recorder)
                .query(StepStore::step)
                .list();
    }

    /** The recorders of a wave that have steps which are not settled yet. */
    List<String> openRecorders(long rollout, int wave) {
        return database.query("SELECT DISTINCT recorder FROM rollout_step WHERE rollout = :rollout AND wave = :wave"
                        + OPEN + "ORDER BY recorder")
                .param("rollout", rollout)
                .param("wave", wave)
                .query(String.class)
                .list();
    }

    Optional<Step> find(long id) {
        return database.query(STEP + "WHERE id = :id")
                .param("id", id)
                .query(StepStore::step)
                .optional();
    }

    /** Those of a recorder that may have been written and of which nobody could look yet, of whatever rollout. */
    List<Step> unsettled(String recorder) {
        return database.query(STEP + "WHERE recorder = :recorder AND state IN ('WRITING', 'UNSETTLED') ORDER BY id")
                .param("recorder", recorder)
                .query(StepStore::step)
                .list();
    }

    /** Nobody can read any more what became of them, since the recorder went or is another; within a transaction. */
    void lost(String recorder, String why) {
        database.change("""
                        UPDATE rollout_step SET state = 'FAILED', detail = :why, updated_at = :at
                        WHERE recorder = :recorder AND state = 'UNSETTLED'
                        """)
                .param("why", why)
                .param("at", clock.instant().toString())
                .param("recorder", recorder)
                .update();
    }

    /** True while the step's rollout may still write it. */
    boolean goesOn(Step step) {
        return database.query("""
                        SELECT count(*) FROM rollout_step s JOIN work w ON w.id = s.rollout
                        WHERE s.id = :id AND w.state IN ('WAITING', 'RUNNING', 'PAUSED')
                        """).param("id", step.id()).query(Integer.class).single() > 0;
    }

    /** An older rollout that has not ended and is not through with the recorder. */
    Optional<Long> olderAt(long rollout, String recorder) {
        return database.query("""
                        SELECT min(s.rollout) FROM rollout_step s JOIN work w ON w.id = s.rollout
                        WHERE s.recorder = :recorder AND s.rollout < :rollout AND s.state IN ('PLANNED', 'WRITING')
                          AND w.state IN ('WAITING', 'RUNNING', 'PAUSED')
                        """)
                .param("recorder", recorder)
                .param("rollout", rollout)
                .query(Long.class)
                .optional();
    }

    /** Steps of later rollouts at the same camera that wrote, may have written, or are still to be written; the last first. */
    Map<Long, Step> laterAt(long camera, long rollout) {
        Map<Long, Step> later = new LinkedHashMap<>();
        database.query(STEP_OF_ROLLOUT + """
                        WHERE camera = :camera AND rollout > :rollout
                          AND (state IN ('WRITING', 'UNSETTLED', 'VERIFIED', 'MISMATCHED') OR state = 'PLANNED'
                            AND (SELECT state FROM work WHERE id = rollout) IN ('WAITING', 'RUNNING', 'PAUSED'))
                        ORDER BY rollout DESC
                        """)
                .param("camera", camera)
                .param("rollout", rollout)
                .query(row -> {
                    later.put(row.getLong("rollout"), step(row, 0));
                });
        return later;
    }

    List<Integer> waves(long rollout) {
        return database.query("SELECT DISTINCT wave FROM rollout_step WHERE rollout = :rollout ORDER BY wave")
                .param("rollout", rollout)
                .query(Integer.class)
                .list();
    }

    /** How many steps are in each state; of one wave, or of all. */
    Map<StepState, Integer> counts(long rollout, Optional<Integer> wave) {
        Map<StepState, Integer> counts = new EnumMap<>(StepState.class);
        database.query("""
                        SELECT state, count(*) AS steps FROM rollout_step
                        WHERE rollout = :rollout AND (:wave = 0 OR wave = :wave) GROUP BY state
                        """)
                .param("rollout", rollout)
                .param("wave", wave.orElse(0))
                .query(row -> {
                    counts.put(StepState.valueOf(row.getString("state")), row.getInt("steps"));
                });
        return counts;
    }

    /** By camera; empty changes where what is stored of them cannot be understood. */
    Map<Long, Map<SettingKey, Change>> previewed(long preview) {
        Map<Long, Map<SettingKey, Change>> changes = new LinkedHashMap<>();
        database.query("SELECT camera, changes FROM preview_step WHERE preview = :preview ORDER BY camera")
                .param("preview", preview)
                .query(row -> {
                    changes.put(row.getLong("camera"), understood(row.getString("changes")));
                });
        return changes;
    }

    private static Step step(ResultSet row, int number) throws SQLException {
        long camera = row.getLong("camera");
        Optional<Long> cameraId = row.wasNull() ? Optional.empty() : Optional.of(camera);
        return new Step(
                row.getLong("id"),
                cameraId,
                new Node.Camera(new RecorderName(row.getString("recorder")), row.getString("channel")),
                row.getString("label"),
                row.getInt("wave"),
                StepState.valueOf(row.getString("state")),
                understood(row.getString("changes")),
                Optional.ofNullable(row.getString("outcome"))
                        .map(StepStore::known)
                        .orElse(Journalled.NOTHING),
                row.getString("detail"));
    }

    /** Of one that cannot be understood nobody knows anything. */
    private static Journalled known(String stored) {
        try {
            return JournalledJson.read(stored);
        } catch (Json.UnreadableException e) {
            return Journalled.NOTHING;
        }
    }

    private static Map<SettingKey, Change> understood(String changes) {
        try {
            return ChangesJson.read(changes);
        } catch (Json.UnreadableException e) {
            return Map.of();
        }
    }

    /** To be called within the transaction that makes the rollout. */
    void add(long rollout, int wave, StoredCamera camera, Map<SettingKey, Change> changes) {
        add(rollout, wave, camera, changes, StepState.PLANNED, "");
    }

    /** One that is skipped from the start, with the reason. */
    void addSkipped(long rollout, int wave, StoredCamera camera, Map<SettingKey, Change> changes, String why) {
        add(rollout, wave, camera, changes, StepState.SKIPPED, why);
    }

    private void add(
            long rollout,
            int wave,
            StoredCamera camera,
            Map<SettingKey, Change> changes,
            StepState state,
            String detail) {
        database.change("""
                        INSERT INTO rollout_step
                          (rollout, wave, camera, recorder, channel, label, state, changes, detail, updated_at)
                        VALUES (:rollout, :wave, :camera, :recorder, :channel, :label, :state, :changes, :detail, :at)
                        """)
                .param("rollout", rollout)
                .param("wave", wave)
                .param("camera", camera.id())
                .param("recorder", camera.camera().recorder().text())
                .param("channel", camera.camera().channel())
                .param("label", camera.label())
                .param("state", state.name())
                .param("detail", detail)
                .param("changes", ChangesJson.write(changes))
                .param("at", clock.instant().toString())
                .update();
    }

    /** Everything that was not begun is not begun any more; to be called within a transaction. */
    int skipPlanned(long rollout, String why) {
        return database.change("""
                        UPDATE rollout_step SET state = 'SKIPPED', detail = :why, updated_at = :at
                        WHERE rollout = :rollout AND state = 'PLANNED'
                        """)
                .param("why", why)
                .param("at", clock.instant().toString())
                .param("rollout", rollout)
                .update();
    }

    /** What is known of a step that is being written; to be called within a transaction. */
    void know(Step step, Journalled known, String detail) {
        database.change("UPDATE rollout_step SET outcome = :outcome, detail = :detail WHERE id = :id")
                .param("outcome", JournalledJson.write(known))
                .param("detail", detail)
                .param("id", step.id())
                .update();
    }

    /** Why the steps of a recorder that are still to be written wait; to be called within a transaction. */
    void waiting(long rollout, int wave, String recorder, String why) {
        database.change("""
                        UPDATE rollout_step SET detail = :why
                        WHERE rollout = :rollout AND wave = :wave AND recorder = :recorder AND state = 'PLANNED'
                        """)
                .param("why", why)
                .param("rollout", rollout)
                .param("wave", wave)
                .param("recorder", recorder)
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
