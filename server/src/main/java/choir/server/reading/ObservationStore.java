package choir.server.reading;

import choir.drift.Attempt;
import choir.family.NativeConfig;
import choir.family.NativeValue;
import choir.policy.SettingKey;
import choir.server.db.Database;
import java.nio.charset.StandardCharsets;
import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.time.Instant;
import java.util.HashMap;
import java.util.HexFormat;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.ConcurrentHashMap;
import org.jspecify.annotations.Nullable;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;

/**
 * What cameras were read to hold, and what was last verified. Each distinct content is stored once, by its hash, so that
 * a fleet in tune costs little.
 */
@Component
public class ObservationStore {
    /**
     * @param since when this content was first seen
     * @param byHand who says so, for a recorder that cannot be asked
     */
    public record Observation(NativeConfig config, String readAt, String since, Optional<String> byHand) {}

    private static final int MOST_UNDERSTOOD = 50_000;

    private final Database database;
    private final Map<String, NativeConfig> understood = new ConcurrentHashMap<>();

    ObservationStore(Database database) {
        this.database = database;
    }

    /** @param recorder of which alone they are wanted; empty for all */
    public Map<Long, Observation> observations(Optional<String> recorder) {
        Map<Long, Observation> all = new HashMap<>();
        of(recorder, """
                        SELECT o.camera, o.hash, o.read_at, o.since, o.by_hand, c.body
                        FROM observation o JOIN content c ON c.hash = o.hash
                        """, "o.camera").query(row -> {
            all.put(
                    row.getLong("camera"),
                    new Observation(
                            config(row.getString("hash"), row.getString("body")),
                            row.getString("read_at"),
                            row.getString("since"),
                            Optional.ofNullable(row.getString("by_hand"))));
        });
        return all;
    }

    private JdbcClient.StatementSpec of(Optional<String> recorder, String sql, String camera) {
        return recorder.map(name -> database.query(
                                sql + " WHERE " + camera + " IN (SELECT id FROM camera WHERE recorder = :recorder)")
                        .param("recorder", name))
                .orElseGet(() -> database.query(sql));
    }

    public Map<Long, NativeConfig> baselines(Optional<String> recorder) {
        Map<Long, NativeConfig> all = new HashMap<>();
        of(recorder, "SELECT b.camera, b.hash, c.body FROM baseline b JOIN content c ON c.hash = b.hash", "b.camera")
                .query(row -> {
                    all.put(row.getLong("camera"), config(row.getString("hash"), row.getString("body")));
                });
        return all;
    }

    public Optional<NativeConfig> baseline(long camera) {
        return database.query("""
                        SELECT c.hash, c.body FROM baseline b JOIN content c ON c.hash = b.hash WHERE b.camera = :camera
                        """)
                .param("camera", camera)
                .query((row, n) -> config(row.getString("hash"), row.getString("body")))
                .optional();
    }

    public Map<Long, Map<SettingKey, Attempt>> attempts(Optional<String> recorder) {
        Map<Long, Map<SettingKey, Attempt>> all = new HashMap<>();
        of(recorder, "SELECT camera, key, written, read_back FROM attempt", "camera")
                .query(row -> {
                    all.computeIfAbsent(row.getLong("camera"), c -> new HashMap<>())
                            .put(
                                    new SettingKey(row.getString("key")),
                                    new Attempt(
                                            NativeValue.parse(row.getString("written")),
                                            NativeValue.parse(row.getString("read_back"))));
                });
        return all;
    }

    private NativeConfig config(String hash, String body) {
        if (understood.size() > MOST_UNDERSTOOD) {
            understood.clear();
        }
        return understood.computeIfAbsent(hash, h -> NativeConfig.parse(body));
    }

    /** To be called within a transaction. */
    public void observed(long camera, NativeConfig config, Instant at) {
        observed(camera, config, at, null);
    }

    /** What a person says that the device holds; to be called within a transaction. */
    public void observedByHand(long camera, NativeConfig config, Instant at, String who) {
        observed(camera, config, at, who);
    }

    private void observed(long camera, NativeConfig config, Instant at, @Nullable String byHand) {
        database.change("""
                        INSERT INTO observation (camera, hash, read_at, since, by_hand)
                        VALUES (:camera, :hash, :at, :at, :byHand)
                        ON CONFLICT (camera) DO UPDATE SET read_at = :at, hash = :hash, by_hand = :byHand,
                          since = CASE WHEN hash = :hash THEN since ELSE :at END
                        """)
                .param("camera", camera)
                .param("hash", content(config))
                .param("byHand", byHand)
                .param("at", at.toString())
                .update();
    }

    /** Takes values as verified, for later comparison; to be called within a transaction. */
    public void verified(long camera, NativeConfig known, Map<SettingKey, NativeValue> values) {
        if (values.isEmpty()) {
            return;
        }
        database.change("""
                        INSERT INTO baseline (camera, hash) VALUES (:camera, :hash)
                        ON CONFLICT (camera) DO UPDATE SET hash = :hash
                        """)
                .param("camera", camera)
                .param("hash", content(known.with(values)))
                .update();
        for (var key : values.keySet()) {
            database.change("DELETE FROM attempt WHERE camera = :camera AND key = :key")
                    .param("camera", camera)
                    .param("key", key.text())
                    .update();
        }
    }

    public void didNotTake(long camera, SettingKey key, Attempt attempt, Instant at) {
        database.change("""
                        INSERT INTO attempt (camera, key, written, read_back, at)
                        VALUES (:camera, :key, :written, :readBack, :at)
                        ON CONFLICT (camera, key) DO UPDATE SET written = :written, read_back = :readBack, at = :at
                        """)
                .param("camera", camera)
                .param("key", key.text())
                .param("written", attempt.written().stored())
                .param("readBack", attempt.readBack().stored())
                .param("at", at.toString())
                .update();
    }

    /** A firmware change may have reset anything: nothing is trusted until read and given out again. */
    void distrust(String recorder) {
        database.change("DELETE FROM baseline WHERE camera IN (SELECT id FROM camera WHERE recorder = :recorder)")
                .param("recorder", recorder)
                .update();
    }

    private String content(NativeConfig config) {
        var body = config.stored();
        var hash = hash(body);
        database.change("INSERT OR IGNORE INTO content (hash, body) VALUES (:hash, :body)")
                .param("hash", hash)
                .param("body", body)
                .update();
        return hash;
    }

    private static String hash(String body) {
        try {
            var digest = MessageDigest.getInstance("SHA-256").digest(body.getBytes(StandardCharsets.UTF_8));
            return HexFormat.of().formatHex(digest, 0, 16);
        } catch (NoSuchAlgorithmException e) {
            throw new IllegalStateException(e);
        }
    }
}
