package choir.server.rollout;

import choir.fleet.Node;
import choir.fleet.RecorderName;
import choir.policy.SettingKey;
import choir.rollout.Change;
import choir.rollout.StepState;
import choir.server.db.Database;
import choir.server.fleet.StoredCamera;
import choir.server.stored.ChangesJson;
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
            "SELECT id, camera, recorder, channel, label, wave, state, changes, detail FROM rollout_step ";
    private static final String OPEN = " AND state IN ('PLANNED', 'WRITING') ";

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
                row.getString("detail"));
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
        database.change("""
                        INSERT INTO rollout_step
                          (rollout, wave, camera, recorder, channel, label, state, changes, updated_at)
                        VALUES (:rollout, :wave, :camera, :recorder, :channel, :label, 'PLANNED', :changes, :at)
                        """)
                .param("rollout", rollout)
                .param("wave", wave)
                .param("camera", camera.id())
                .param("recorder", camera.camera().recorder().text())
                .param("channel", camera.camera().channel())
                .param("label", camera.label())
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
