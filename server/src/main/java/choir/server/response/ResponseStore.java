package choir.server.response;

import choir.fleet.Node;
import choir.fleet.RecorderName;
import choir.policy.SettingKey;
import choir.server.db.Database;
import choir.server.web.Problem;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.time.Instant;
import java.util.HashMap;
import java.util.Map;
import java.util.Optional;
import org.springframework.stereotype.Component;

/** The rows of what was tried. */
@Component
class ResponseStore {
    private static final String ALL = """
            SELECT response_trial.id, recorder, channel, setting, held, at, who, by_recorder, said, came, came_by, note
            FROM response_trial JOIN camera ON camera.id = response_trial.camera
            """;
    /** Of each setting of a camera; older ones go. */
    private static final int KEPT = 20;

    private final Database database;

    ResponseStore(Database database) {
        this.database = database;
    }

    /** To be called within a transaction. */
    long add(
            long camera,
            SettingKey setting,
            String held,
            Instant at,
            String who,
            boolean byRecorder,
            String said,
            Optional<Boolean> came) {
        long id = database.change("""
                        INSERT INTO response_trial (camera, setting, held, at, who, by_recorder, said, came, came_by)
                        VALUES (:camera, :setting, :held, :at, :who, :by, :said, :came, :cameBy) RETURNING id
                        """)
                .param("camera", camera)
                .param("setting", setting.text())
                .param("held", held)
                .param("at", at.toString())
                .param("who", who)
                .param("by", byRecorder ? 1 : 0)
                .param("said", said)
                .param("came", came.map(c -> c ? 1 : 0).orElse(null))
                .param("cameBy", came.map(c -> who).orElse(null))
                .query(Long.class)
                .single();
        database.change("""
                        DELETE FROM response_trial WHERE camera = :camera AND setting = :setting AND id NOT IN (
                          SELECT id FROM response_trial WHERE camera = :camera AND setting = :setting
                          ORDER BY id DESC LIMIT :kept)
                        """)
                .param("camera", camera)
                .param("setting", setting.text())
                .param("kept", KEPT)
                .update();
        return id;
    }

    /** To be called within a transaction. */
    void came(long id, boolean came, String note, String who) {
        database.change("UPDATE response_trial SET came = :came, came_by = :who, note = :note WHERE id = :id")
                .param("came", came ? 1 : 0)
                .param("who", who)
                .param("note", note)
                .param("id", id)
                .update();
    }

    ResponseTrial get(long id) {
        return database.query(ALL + " WHERE response_trial.id = :id")
                .param("id", id)
                .query(ResponseStore::trial)
                .optional()
                .orElseThrow(() -> new Problem(Problem.Kind.NOT_FOUND, "there is no try " + id + " of a response"));
    }

    /** The last of each setting of a camera. */
    Map<SettingKey, ResponseTrial> lastOf(long camera) {
        Map<SettingKey, ResponseTrial> last = new HashMap<>();
        database.query(ALL + " WHERE response_trial.camera = :camera ORDER BY response_trial.id")
                .param("camera", camera)
                .query(ResponseStore::trial)
                .list()
                .forEach(t -> last.put(t.setting(), t));
        return last;
    }

    private static ResponseTrial trial(ResultSet row, int number) throws SQLException {
        int came = row.getInt("came");
        boolean said = !row.wasNull();
        return new ResponseTrial(
                row.getLong("id"),
                new Node.Camera(new RecorderName(row.getString("recorder")), row.getString("channel")),
                new SettingKey(row.getString("setting")),
                row.getString("held"),
                Instant.parse(row.getString("at")),
                row.getString("who"),
                row.getInt("by_recorder") == 1,
                row.getString("said"),
                said ? Optional.of(came == 1) : Optional.empty(),
                Optional.ofNullable(row.getString("came_by")),
                row.getString("note"));
    }
}
