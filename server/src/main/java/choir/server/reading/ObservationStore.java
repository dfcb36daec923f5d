package choir.server.reading;

import choir.drift.Attempt;
import choir.family.NativeConfig;
import choir.family.NativeValue;
import choir.fleet.RecorderName;
import choir.link.RecorderReading;
import choir.policy.SettingKey;
import choir.server.db.Change;
import choir.server.db.Database;
import choir.server.fleet.DeviceStore;
import choir.server.fleet.FleetStore;
import choir.server.fleet.RecorderFollower;
import choir.server.stored.Json;
import choir.server.stored.NativeJson;
import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import java.nio.charset.StandardCharsets;
import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.time.Instant;
import java.util.HashMap;
import java.util.HashSet;
import java.util.HexFormat;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Consumer;
import org.jspecify.annotations.Nullable;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.jdbc.core.simple.JdbcClient;
import org.springframework.stereotype.Component;

/**
 * What cameras were read to hold, and what was last verified. Each distinct content is stored once, by its hash, so that
 * a fleet in tune costs little; in memory, too, each is one object for as long as some camera holds it.
 */
@Component
public class ObservationStore implements RecorderFollower {
    private static final Logger LOG = LoggerFactory.getLogger(ObservationStore.class);

    private final Database database;
    private final FleetStore fleet;
    private final DeviceStore devices;
    private final Cache<String, Content> understood =
            Caffeine.newBuilder().weakValues().build();

    ObservationStore(Database database, FleetStore fleet, DeviceStore devices) {
        this.devices = devices;
        this.database = database;
        this.fleet = fleet;
    }

    private static final class Collected {
        private @Nullable Observation observation;
        private @Nullable Content baseline;
        private final Map<SettingKey, Attempt> attempts = new HashMap<>();
        private boolean unreadable;

        Known known() {
            return new Known(Optional.ofNullable(observation), Optional.ofNullable(baseline), attempts, unreadable);
        }
    }

    /**
     * By the camera's row.
     *
     * @param recorder of which alone it is wanted; empty for all
     */
    public Map<Long, Known> known(Optional<String> recorder) {
        Map<Long, Collected> all = new HashMap<>();
        rows(
                recorder,
                """
                SELECT o.camera, o.hash, o.read_at, o.since, o.by_hand, c.body
                FROM observation o JOIN content c ON c.hash = o.hash
                """,
                "o.camera",
                all,
                row -> row.into.observation = new Observation(
                        row.content(), row.instant("read_at"), row.instant("since"), row.optional("by_hand")));
        rows(
                recorder,
                "SELECT b.camera, b.hash, c.body FROM baseline b JOIN content c ON c.hash = b.hash",
                "b.camera",
                all,
                row -> row.into.baseline = row.content());
        rows(
                recorder,
                "SELECT camera, key, written, read_back FROM attempt",
                "camera",
                all,
                row -> row.into.attempts.put(
                        new SettingKey(row.text("key")),
                        new Attempt(NativeJson.value(row.text("written")), NativeJson.value(row.text("read_back")))));
        Map<Long, Known> known = HashMap.newHashMap(all.size());
        all.forEach((camera, collected) -> known.put(camera, collected.known()));
        return known;
    }

    /** One row on its way to what is known of its camera. */
    private final class Row {
        private final java.sql.ResultSet row;
        private final Collected into;

        Row(java.sql.ResultSet row, Collected into) {
            this.row = row;
            this.into = into;
        }

        String text(String column) {
            return optional(column).orElseThrow();
        }

        Optional<String> optional(String column) {
            try {
                return Optional.ofNullable(row.getString(column));
            } catch (java.sql.SQLException e) {
                throw new IllegalStateException(e);
            }
        }

        Instant instant(String column) {
            return Instant.parse(text(column));
        }

        Content content() {
            var body = text("body");
            return understood.get(text("hash"), hash -> new Content(hash, NativeJson.config(body)));
        }
    }

    /** A row that cannot be understood is the trouble of its camera alone. */
    private void rows(
            Optional<String> recorder, String sql, String camera, Map<Long, Collected> all, Consumer<Row> take) {
        of(recorder, sql, camera).query(row -> {
            long id = row.getLong("camera");
            var collected = all.computeIfAbsent(id, c -> new Collected());
            try {
                take.accept(new Row(row, collected));
            } catch (Json.UnreadableException e) {
                LOG.warn("what is stored of camera {} cannot be understood: {}", id, e.getMessage());
                collected.unreadable = true;
            }
        });
    }

    private JdbcClient.StatementSpec of(Optional<String> recorder, String sql, String camera) {
        return recorder.map(name -> database.query(
                                sql + " WHERE " + camera + " IN (SELECT id FROM camera WHERE recorder = :recorder)")
                        .param("recorder", name))
                .orElseGet(() -> database.query(sql));
    }

    /** Stores what a recorder was read to hold; to be called within a transaction. */
    public void read(String recorder, RecorderReading reading, Instant at) {
        var before = fleet.find(recorder);
        boolean otherFirmware = before.filter(r -> !r.device().firmware().isEmpty()
                        && !r.device().firmware().equals(reading.device().firmware()))
                .isPresent();
        if (otherFirmware) {
            distrust(recorder);
            devices.otherFirmware(recorder, before.get().device().firmware());
        }
        fleet.reached(recorder, reading, at);
        var cameras = new HashMap<String, choir.server.fleet.StoredCamera>();
        fleet.camerasOf(recorder).forEach(c -> cameras.put(c.camera().channel(), c));
        for (var channel : reading.channels()) {
            var camera = cameras.get(channel.channel());
            if (camera == null
                    || !camera.label().equals(channel.label())
                    || !camera.deviceName().equals(channel.deviceName())) {
                fleet.seen(new RecorderName(recorder), channel.channel(), channel.label(), channel.deviceName());
            }
        }
        if (!cameras.keySet()
                .containsAll(reading.channels().stream().map(c -> c.channel()).toList())) {
            fleet.camerasOf(recorder).forEach(c -> cameras.put(c.camera().channel(), c));
        }
        Set<String> there = new HashSet<>();
        for (var channel : reading.channels()) {
            there.add(channel.channel());
            var camera = cameras.get(channel.channel());
            observed(camera.id(), channel.config(), at, null);
            fleet.noted(camera, channel.notes());
        }
        cameras.values().forEach(c -> fleet.there(c, there.contains(c.camera().channel()), at));
        database.tell(new Change.RecorderChanged(recorder));
    }

    /** What a person says that the device holds; to be called within a transaction. */
    public void observedByHand(long camera, NativeConfig config, Instant at, String who) {
        observed(camera, config, at, who);
        tellOf(camera);
    }

    private void observed(long camera, NativeConfig config, Instant at, @Nullable String byHand) {
        database.change("""
                        INSERT INTO observation (camera, hash, read_at, since, by_hand)
                        VALUES (:camera, :hash, :at, :at, :byHand)
                        ON CONFLICT (camera) DO UPDATE SET read_at = :at, hash = :hash, by_hand = :byHand,
                          since = CASE WHEN hash = :hash THEN since ELSE :at END
                        """)
                .param("camera", camera)
                .param("hash", stored(config))
                .param("byHand", byHand)
                .param("at", at.toString())
                .update();
    }

    /**
     * Takes values that were written and came back as verified, for later comparison; what was verified before of other
     * settings stays. A recorder that takes one value is not remembered for another that it did not take. To be called
     * within a transaction.
     */
    public void verified(long camera, Map<SettingKey, NativeValue> values) {
        agreed(camera, values);
        for (var key : values.keySet()) {
            database.change("DELETE FROM attempt WHERE camera = :camera AND key = :key")
                    .param("camera", camera)
                    .param("key", key.text())
                    .update();
        }
    }

    /**
     * Takes values that were seen to be as asked as good as verified. That another value did not take stays known. To be
     * called within a transaction.
     */
    public void agreed(long camera, Map<SettingKey, NativeValue> values) {
        if (values.isEmpty()) {
            return;
        }
        database.change("""
                        INSERT INTO baseline (camera, hash) VALUES (:camera, :hash)
                        ON CONFLICT (camera) DO UPDATE SET hash = :hash
                        """)
                .param("camera", camera)
                .param("hash", stored(baseline(camera).with(values)))
                .update();
        tellOf(camera);
        values.forEach((key, value) -> database.change(
                        "DELETE FROM attempt WHERE camera = :camera AND key = :key AND written = :written")
                .param("camera", camera)
                .param("key", key.text())
                .param("written", NativeJson.write(value))
                .update());
    }

    private NativeConfig baseline(long camera) {
        return database.query("""
                        SELECT c.body FROM baseline b JOIN content c ON c.hash = b.hash WHERE b.camera = :camera
                        """)
                .param("camera", camera)
                .query(String.class)
                .optional()
                .map(NativeJson::config)
                .orElse(NativeConfig.EMPTY);
    }

    /** To be called within a transaction. */
    public void didNotTake(long camera, SettingKey key, Attempt attempt, Instant at) {
        database.change("""
                        INSERT INTO attempt (camera, key, written, read_back, at)
                        VALUES (:camera, :key, :written, :readBack, :at)
                        ON CONFLICT (camera, key) DO UPDATE SET written = :written, read_back = :readBack, at = :at
                        """)
                .param("camera", camera)
                .param("key", key.text())
                .param("written", NativeJson.write(attempt.written()))
                .param("readBack", NativeJson.write(attempt.readBack()))
                .param("at", at.toString())
                .update();
        tellOf(camera);
    }

    private void tellOf(long camera) {
        database.tell(new Change.RecorderChanged(database.query("SELECT recorder FROM camera WHERE id = :id")
                .param("id", camera)
                .query(String.class)
                .single()));
    }

    /** Anything may have been reset, or it is another device: nothing is trusted until read and given out again. */
    public void distrust(String recorder) {
        for (var table : new String[] {"baseline", "attempt"}) {
            database.change("DELETE FROM " + table
                            + " WHERE camera IN (SELECT id FROM camera WHERE recorder = :recorder)")
                    .param("recorder", recorder)
                    .update();
        }
    }

    /** What is known of a camera goes with its row. */
    @Override
    public void recorderIsRemoved(String recorder) {}

    @Override
    public void recorderIsReplaced(String recorder) {
        distrust(recorder);
    }

    private String stored(NativeConfig config) {
        var body = NativeJson.write(config);
        var hash = hash(body);
        database.change("INSERT OR IGNORE INTO content (hash, body) VALUES (:hash, :body)")
                .param("hash", hash)
                .param("body", body)
                .update();
        return hash;
    }

    /** Half of the SHA-256 of the stored form, in hexadecimal digits. */
    public static String hash(String body) {
        try {
            var digest = MessageDigest.getInstance("SHA-256").digest(body.getBytes(StandardCharsets.UTF_8));
            return HexFormat.of().formatHex(digest, 0, 16);
        } catch (NoSuchAlgorithmException e) {
            throw new IllegalStateException(e);
        }
    }
}
