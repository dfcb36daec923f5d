package choir.server.fleet;

import choir.server.db.Database;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.time.Clock;
import java.time.LocalDate;
import java.util.HashMap;
import java.util.Map;
import java.util.Optional;
import org.springframework.stereotype.Component;

/** Recorders that are left alone for a while, since somebody works there. A pause ends with its last day. */
@Component
public class PauseStore {
    /** @param until the last day */
    public record Pause(LocalDate until, String because, String who) {
        /** @param recorder its name, for a sentence of its own */
        public String words(String recorder) {
            return recorder + " is paused until " + until + " (" + because + ")";
        }
    }

    private static final String IN_FORCE =
            "SELECT recorder, until, because, who FROM recorder_pause WHERE until >= :today";

    private final Database database;
    private final Clock clock;

    PauseStore(Database database, Clock clock) {
        this.database = database;
        this.clock = clock;
    }

    /** Those of today, by recorder. */
    public Map<String, Pause> inForce() {
        Map<String, Pause> all = new HashMap<>();
        database.query(IN_FORCE).param("today", LocalDate.now(clock).toString()).query(row -> {
            all.put(row.getString("recorder"), pause(row));
        });
        return all;
    }

    public Optional<Pause> of(String recorder) {
        return database.query(IN_FORCE + " AND recorder = :recorder")
                .param("today", LocalDate.now(clock).toString())
                .param("recorder", recorder)
                .query((row, n) -> pause(row))
                .optional();
    }

    private static Pause pause(ResultSet row) throws SQLException {
        return new Pause(LocalDate.parse(row.getString("until")), row.getString("because"), row.getString("who"));
    }

    /** To be called within a transaction. */
    void put(String recorder, Pause pause) {
        database.change("""
                        INSERT INTO recorder_pause (recorder, until, because, who, at)
                        VALUES (:recorder, :until, :because, :who, :at)
                        ON CONFLICT (recorder) DO UPDATE SET until = :until, because = :because, who = :who, at = :at
                        """)
                .param("recorder", recorder)
                .param("until", pause.until().toString())
                .param("because", pause.because())
                .param("who", pause.who())
                .param("at", clock.instant().toString())
                .update();
    }

    void remove(String recorder) {
        database.change("DELETE FROM recorder_pause WHERE recorder = :recorder")
                .param("recorder", recorder)
                .update();
    }
}
