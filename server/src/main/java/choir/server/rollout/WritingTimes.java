package choir.server.rollout;

import choir.server.db.Database;
import java.time.Clock;
import java.time.Duration;
import org.springframework.stereotype.Component;

/** How long it took to write each recorder the last time, so that a gap in what it records can be told beforehand. */
@Component
class WritingTimes {
    private final Database database;
    private final Clock clock;

    WritingTimes(Database database, Clock clock) {
        this.database = database;
        this.clock = clock;
    }

    /** To be called within a transaction. */
    void took(String recorder, int cameras, Duration time) {
        database.change("""
                        INSERT INTO writing_time (recorder, cameras, millis, at) VALUES (:recorder, :cameras, :millis, :at)
                        ON CONFLICT (recorder) DO UPDATE SET cameras = :cameras, millis = :millis, at = :at
                        """)
                .param("recorder", recorder)
                .param("cameras", cameras)
                .param("millis", time.toMillis())
                .param("at", clock.instant().toString())
                .update();
    }

    Preview.Pause of(String recorder) {
        return database.query("SELECT cameras, millis, at FROM writing_time WHERE recorder = :recorder")
                .param("recorder", recorder)
                .query((row, n) -> new Preview.Pause(
                        recorder, row.getLong("millis") / 1000.0, row.getInt("cameras"), row.getString("at")))
                .optional()
                .orElseGet(() -> new Preview.Pause(recorder, null, null, null));
    }
}
