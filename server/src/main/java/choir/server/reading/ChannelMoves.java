package choir.server.reading;

import choir.fleet.Node;
import choir.fleet.RecorderName;
import choir.server.db.Change;
import choir.server.db.Database;
import choir.server.fleet.FleetStore;
import choir.server.fleet.StoredCamera;
import choir.server.web.Problem;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.TreeSet;
import org.springframework.stereotype.Component;

/**
 * Cameras that hang elsewhere, and recorders that are called otherwise. What a camera is stays: its group and tags, what is
 * said at it, its findings and its history. To be called within a transaction.
 */
@Component
class ChannelMoves {
    private static final List<String> OF_NODES = List.of("template_use", "policy_override", "node_version");
    /** Steps and parts of sweeps say how a recorder was called when they were made. */
    private static final List<String> OF_RECORDERS = List.of("camera", "recorder_pause", "writing_time", "finding");

    private final FleetStore fleet;
    private final Database database;

    ChannelMoves(FleetStore fleet, Database database) {
        this.fleet = fleet;
        this.database = database;
    }

    /** All at once, so that cameras may change places with each other. */
    void move(Map<StoredCamera, Node.Camera> moves) {
        moves.keySet().forEach(this::refuseWhileWritten);
        // First to where nobody is, since two cannot be at one place for a moment.
        List<Node.Camera> between = new ArrayList<>();
        int number = 0;
        for (var entry : moves.entrySet()) {
            var aside = new Node.Camera(entry.getKey().camera().recorder(), "\u0001" + number++);
            between.add(aside);
            put(entry.getKey(), entry.getKey().camera(), aside);
        }
        int i = 0;
        for (var entry : moves.entrySet()) {
            put(entry.getKey(), between.get(i++), entry.getValue());
        }
        var recorders = new TreeSet<String>();
        moves.forEach((camera, to) -> {
            recorders.add(camera.camera().recorder().text());
            recorders.add(to.recorder().text());
            if (!camera.camera().recorder().equals(to.recorder())) {
                forget(camera, List.of("baseline", "attempt"));
            }
            forget(camera, List.of("observation"));
        });
        recorders.forEach(r -> database.tell(new Change.RecorderChanged(r)));
    }

    private void refuseWhileWritten(StoredCamera camera) {
        database.query("""
                        SELECT rollout FROM rollout_step
                        WHERE camera = :camera AND state IN ('PLANNED', 'WRITING', 'UNSETTLED') LIMIT 1
                        """)
                .param("camera", camera.id())
                .query(Long.class)
                .optional()
                .ifPresent(rollout -> {
                    throw new Problem(
                            Problem.Kind.CONFLICT,
                            "rollout " + rollout + " is not through with "
                                    + camera.camera().text() + "; wait for it, or stop it and read the recorder");
                });
    }

    private void put(StoredCamera camera, Node.Camera from, Node.Camera to) {
        database.change("UPDATE camera SET recorder = :recorder, channel = :channel, gone_since = NULL WHERE id = :id")
                .param("recorder", to.recorder().text())
                .param("channel", to.channel())
                .param("id", camera.id())
                .update();
        database.change("UPDATE finding SET recorder = :recorder, channel = :channel WHERE camera = :id")
                .param("recorder", to.recorder().text())
                .param("channel", to.channel())
                .param("id", camera.id())
                .update();
        for (var table : OF_NODES) {
            database.change("UPDATE " + table + " SET node = :to WHERE node_kind = 'CAMERA' AND node = :from")
                    .param("to", to.text())
                    .param("from", from.text())
                    .update();
        }
    }

    private void forget(StoredCamera camera, List<String> tables) {
        for (var table : tables) {
            database.change("DELETE FROM " + table + " WHERE camera = :id")
                    .param("id", camera.id())
                    .update();
        }
    }

    /** Another name for a recorder, everywhere. */
    void rename(String from, RecorderName to) {
        for (var camera : fleet.camerasOf(from)) {
            refuseWhileWritten(camera);
        }
        database.change("PRAGMA defer_foreign_keys = ON").update();
        database.change("UPDATE recorder SET name = :to, version = version + 1 WHERE name = :from")
                .param("to", to.text())
                .param("from", from)
                .update();
        for (var table : OF_RECORDERS) {
            database.change("UPDATE " + table + " SET recorder = :to WHERE recorder = :from")
                    .param("to", to.text())
                    .param("from", from)
                    .update();
        }
        for (var table : OF_NODES) {
            // Names of recorders have no slash, and '0' is the character after it.
            database.change("UPDATE " + table + " SET node = :to || substr(node, :slash)"
                            + " WHERE node_kind = 'CAMERA' AND node >= :first AND node < :last")
                    .param("to", to.text())
                    .param("slash", from.length() + 1)
                    .param("first", from + "/")
                    .param("last", from + "0")
                    .update();
        }
        database.tell(new Change.RecorderChanged(from));
        database.tell(new Change.RecorderChanged(to.text()));
    }
}
