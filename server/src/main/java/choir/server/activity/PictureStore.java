package choir.server.activity;

import choir.server.db.Database;
import java.time.Instant;
import java.util.HashMap;
import java.util.Map;
import org.springframework.stereotype.Component;

/** Whether pictures show anything, of cameras that gave reason to look. */
@Component
public class PictureStore {
    private final Database database;

    PictureStore(Database database) {
        this.database = database;
    }

    /** To be called within a transaction. */
    void put(long camera, boolean featureless, Instant at) {
        database.change(
                        "INSERT OR REPLACE INTO camera_picture (camera, looked_at, featureless) VALUES (:camera, :at, :is)")
                .param("camera", camera)
                .param("at", at.toString())
                .param("is", featureless ? 1 : 0)
                .update();
    }

    /** When it gives no reason any more; to be called within a transaction. */
    void forget(long camera) {
        database.change("DELETE FROM camera_picture WHERE camera = :camera")
                .param("camera", camera)
                .update();
    }

    /** By the number of the camera, of those that were looked at. */
    public Map<Long, Boolean> featureless(String recorder) {
        Map<Long, Boolean> all = new HashMap<>();
        database.query("""
                        SELECT camera.id, featureless FROM camera JOIN camera_picture ON camera_picture.camera = camera.id
                        WHERE recorder = :recorder
                        """).param("recorder", recorder).query(row -> {
            all.put(row.getLong("id"), row.getInt("featureless") == 1);
        });
        return all;
    }
}
