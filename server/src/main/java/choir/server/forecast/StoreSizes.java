package choir.server.forecast;

import choir.server.db.Database;
import java.time.Clock;
import java.util.HashMap;
import java.util.Map;
import org.springframework.stereotype.Component;

/** How large the stores of recorders are, as people said. */
@Component
class StoreSizes {
    private final Database database;
    private final Clock clock;

    StoreSizes(Database database, Clock clock) {
        this.database = database;
        this.clock = clock;
    }

    /** Bytes by the name of the store; that of a recorder's only one is empty. */
    Map<String, Long> of(String recorder) {
        Map<String, Long> all = new HashMap<>();
        database.query("SELECT store, bytes FROM store_size WHERE recorder = :recorder")
                .param("recorder", recorder)
                .query(row -> {
                    all.put(row.getString("store"), row.getLong("bytes"));
                });
        return all;
    }

    /** To be called within a transaction. */
    void put(String recorder, String store, long bytes, String who) {
        database.change("""
                        INSERT OR REPLACE INTO store_size (recorder, store, bytes, who, at)
                        VALUES (:recorder, :store, :bytes, :who, :at)
                        """)
                .param("recorder", recorder)
                .param("store", store)
                .param("bytes", bytes)
                .param("who", who)
                .param("at", clock.instant().toString())
                .update();
    }

    /** To be called within a transaction. */
    boolean forget(String recorder, String store) {
        return database.change("DELETE FROM store_size WHERE recorder = :recorder AND store = :store")
                        .param("recorder", recorder)
                        .param("store", store)
                        .update()
                > 0;
    }
}
