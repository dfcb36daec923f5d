package choir.server.migration;

import choir.drift.Cause;
import choir.drift.Distance;
import choir.drift.Matter;
import choir.drift.Measure;
import choir.fleet.Node;
import choir.policy.SettingKey;
import choir.refusal.Refusal;
import choir.rollout.Waves;
import choir.server.stored.ChangesJson;
import choir.server.stored.DistanceJson;
import choir.server.stored.MatterJson;
import choir.server.stored.NativeJson;
import choir.server.work.Task;
import choir.server.work.TaskJson;
import java.math.BigDecimal;
import java.nio.charset.StandardCharsets;
import java.security.MessageDigest;
import java.sql.Connection;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.util.HexFormat;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;
import org.flywaydb.core.api.MigrationVersion;
import org.flywaydb.core.api.migration.Context;
import org.flywaydb.core.api.migration.JavaMigration;
import org.jspecify.annotations.Nullable;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.stereotype.Component;

/**
 * Turns what the first release joined with tabs, bars and carets into JSON. What cannot be understood is left out, so that
 * it is read or made again, and is said in the log.
 */
@Component
class V5TypedValues implements JavaMigration {
    private static final Logger LOG = LoggerFactory.getLogger(V5TypedValues.class);

    @Override
    public MigrationVersion getVersion() {
        return MigrationVersion.fromVersion("5");
    }

    @Override
    public String getDescription() {
        return "typed values";
    }

    @Override
    public @Nullable Integer getChecksum() {
        return null;
    }

    @Override
    public boolean canExecuteInTransaction() {
        return true;
    }

    @Override
    public void migrate(Context context) throws Exception {
        var connection = context.getConnection();
        contents(connection);
        attempts(connection);
        changes(connection, "preview_step", "preview, camera");
        changes(connection, "rollout_step", "id");
        tasks(connection);
        findings(connection);
        execute(
                connection,
                "DROP TABLE finding",
                "ALTER TABLE new_finding RENAME TO finding",
                "CREATE UNIQUE INDEX one_open_finding ON finding (recorder, ifnull(channel, ''), matter)"
                        + " WHERE ended_at IS NULL",
                "CREATE INDEX finding_by_camera ON finding (camera)",
                "ALTER TABLE work DROP COLUMN selection",
                "ALTER TABLE work DROP COLUMN options");
    }

    private static void execute(Connection connection, String... statements) throws SQLException {
        try (var statement = connection.createStatement()) {
            for (var sql : statements) {
                statement.execute(sql);
            }
        }
    }

    private interface Each {
        void row(ResultSet row) throws SQLException;
    }

    private static void each(Connection connection, String sql, Each each) throws SQLException {
        try (var statement = connection.createStatement();
                var rows = statement.executeQuery(sql)) {
            while (rows.next()) {
                each.row(rows);
            }
        }
    }

    private static void update(Connection connection, String sql, @Nullable Object... values) throws SQLException {
        try (var statement = connection.prepareStatement(sql)) {
            for (int i = 0; i < values.length; i++) {
                statement.setObject(i + 1, values[i]);
            }
            statement.executeUpdate();
        }
    }

    private static void contents(Connection connection) throws Exception {
        execute(connection, "CREATE TEMP TABLE old_content AS SELECT hash, body FROM content");
        each(connection, "SELECT hash, body FROM old_content", row -> {
            var old = row.getString("hash");
            var body = new String[1];
            try {
                body[0] = NativeJson.write(OldFacts.config(row.getString("body")));
            } catch (Refusal e) {
                LOG.warn("an observation cannot be understood any more and is left out: {}", e.getMessage());
                update(connection, "DELETE FROM observation WHERE hash = ?", old);
                update(connection, "DELETE FROM baseline WHERE hash = ?", old);
                return;
            }
            var hash = hash(body[0]);
            update(connection, "INSERT OR IGNORE INTO content (hash, body) VALUES (?, ?)", hash, body[0]);
            update(connection, "UPDATE observation SET hash = ? WHERE hash = ?", hash, old);
            update(connection, "UPDATE baseline SET hash = ? WHERE hash = ?", hash, old);
        });
        execute(
                connection,
                "DELETE FROM content WHERE hash IN (SELECT hash FROM old_content)",
                "DROP TABLE old_content");
    }

    private static String hash(String body) {
        try {
            var digest = MessageDigest.getInstance("SHA-256").digest(body.getBytes(StandardCharsets.UTF_8));
            return HexFormat.of().formatHex(digest, 0, 16);
        } catch (java.security.NoSuchAlgorithmException e) {
            throw new IllegalStateException(e);
        }
    }

    private static void attempts(Connection connection) throws SQLException {
        execute(connection, "CREATE TEMP TABLE old_attempt AS SELECT camera, key, written, read_back FROM attempt");
        each(connection, "SELECT camera, key, written, read_back FROM old_attempt", row -> {
            var key = new SettingKey(row.getString("key"));
            try {
                update(
                        connection,
                        "UPDATE attempt SET written = ?, read_back = ? WHERE camera = ? AND key = ?",
                        NativeJson.write(OldFacts.value(key, row.getString("written"))),
                        NativeJson.write(OldFacts.value(key, row.getString("read_back"))),
                        row.getLong("camera"),
                        key.text());
            } catch (Refusal e) {
                LOG.warn("an attempt cannot be understood any more and is left out: {}", e.getMessage());
                update(
                        connection,
                        "DELETE FROM attempt WHERE camera = ? AND key = ?",
                        row.getLong("camera"),
                        key.text());
            }
        });
        execute(connection, "DROP TABLE old_attempt");
    }

    private static void changes(Connection connection, String table, String key) throws SQLException {
        execute(connection, "CREATE TEMP TABLE old_changes AS SELECT rowid AS place, changes FROM " + table);
        each(connection, "SELECT place, changes FROM old_changes", row -> {
            try {
                update(
                        connection,
                        "UPDATE " + table + " SET changes = ? WHERE rowid = ?",
                        ChangesJson.write(OldFacts.changes(row.getString("changes"))),
                        row.getLong("place"));
            } catch (Refusal e) {
                LOG.warn("a change of {} cannot be understood any more and is left out: {}", key, e.getMessage());
                update(connection, "DELETE FROM " + table + " WHERE rowid = ?", row.getLong("place"));
            }
        });
        execute(connection, "DROP TABLE old_changes");
    }

    private static void tasks(Connection connection) throws SQLException {
        execute(connection, "CREATE TEMP TABLE old_work AS SELECT id, kind, selection, options FROM work");
        each(connection, "SELECT id, kind, selection, options FROM old_work", row -> {
            var options = row.getString("options");
            Task task = switch (Task.Kind.valueOf(row.getString("kind"))) {
                case READING -> new Task.Reading(options.isBlank() ? List.of() : List.of(options.split(" ")));
                case REPORT, PASSWORDS, ACTIVITY, BACKUP, EXPORT ->
                    throw new SQLException("there was no such work then");
                case AUDIT -> new Task.Audit(row.getString("selection"));
                case ROLLOUT -> {
                    var words = options.split(" ");
                    yield new Task.Rollout(
                            row.getString("selection"),
                            Waves.first(Integer.parseInt(words[0]), Integer.parseInt(words[1])),
                            Task.Rollout.USUAL_PATIENCE,
                            Optional.empty(),
                            words.length > 2 && words[2].equals("undo"));
                }
            };
            update(connection, "UPDATE work SET task = ? WHERE id = ?", TaskJson.write(task), row.getLong("id"));
        });
        // An interrupted sweep of the first release kept no parts; it is made anew by whoever wants it.
        update(
                connection,
                "UPDATE work SET state = 'STOPPED', note = 'stopped by an upgrade of the service; start it again'"
                        + " WHERE state IN ('WAITING', 'RUNNING') AND kind IN ('READING', 'AUDIT')");
        execute(connection, "DROP TABLE old_work");
    }

    private static void findings(Connection connection) throws SQLException {
        each(connection, """
                SELECT f.*, c.channel, c.label FROM finding f LEFT JOIN camera c ON c.id = f.camera ORDER BY f.id
                """, row -> {
            var key = row.getString("key");
            boolean ofCamera = row.getString("channel") != null;
            var matter = matter(key, row.getString("recorder"), row.getString("channel"));
            if (matter.isEmpty()) {
                LOG.warn(
                        "finding {} is about \"{}\", which nothing is known of; it is left out",
                        row.getLong("id"),
                        key);
                return;
            }
            update(
                    connection,
                    """
                            INSERT INTO new_finding (id, recorder, camera, channel, label, matter, cause, distance, severity,
                              sentence, desired, observed, first_seen, last_seen, audit, ended_at, ended_by, returns)
                            VALUES (?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?, ?)
                            """,
                    row.getLong("id"),
                    row.getString("recorder"),
                    ofCamera ? (Object) row.getLong("camera") : null,
                    row.getString("channel"),
                    ofCamera ? row.getString("label") : "",
                    MatterJson.write(matter.get()),
                    matter.get() instanceof Matter.Value ? cause(row.getString("cause")) : null,
                    DistanceJson.write(distance(row)),
                    row.getString("severity"),
                    row.getString("sentence"),
                    row.getString("desired"),
                    row.getString("observed"),
                    row.getString("first_seen"),
                    row.getString("last_seen"),
                    row.getLong("audit"),
                    row.getString("ended_at"),
                    row.getString("ended_by"),
                    row.getObject("returns"));
        });
    }

    private static Optional<Matter> matter(String key, String recorder, @Nullable String channel) {
        if (channel == null) {
            return switch (key) {
                case "reading" -> Optional.of(new Matter.NotRead());
                case "clock" -> Optional.of(new Matter.Clock());
                case "zone" -> Optional.of(new Matter.Zone());
                default -> Optional.empty();
            };
        }
        var camera = Node.Camera.parse(recorder + "/" + channel);
        int cut = key.indexOf(' ');
        var setting = new SettingKey(key.substring(cut + 1));
        return switch (key.substring(0, Math.max(0, cut))) {
            case "" -> Optional.of(new Matter.Value(setting));
            case "blocked" -> Optional.of(new Matter.Blocked(setting, camera, Optional.empty()));
            case "expired" -> Optional.of(new Matter.Expired(setting, camera));
            // Which area it was about was not kept; the next audit tells.
            default -> Optional.empty();
        };
    }

    private static @Nullable String cause(String words) {
        return Stream.of(Cause.values())
                .filter(c -> c.words().equals(words))
                .map(Enum::name)
                .findFirst()
                .orElse(null);
    }

    private static Distance distance(ResultSet row) throws SQLException {
        int loss = row.getInt("loss");
        int waste = row.getInt("waste");
        int without = row.getInt("minutes_without_recording");
        var unit = row.getString("unit");
        if (unit.equals("minutes a week")) {
            return new Distance.OfWeek(loss, waste, without);
        }
        return Stream.of(Measure.values())
                .filter(m -> m.word().equals(unit))
                .findFirst()
                .<Distance>map(
                        m -> new Distance.Counted(m, BigDecimal.valueOf(loss), BigDecimal.valueOf(waste), without))
                .orElse(
                        loss + waste == 0
                                ? Distance.none()
                                : new Distance.Counted(
                                        Measure.SWITCHES,
                                        BigDecimal.valueOf(loss),
                                        BigDecimal.valueOf(waste),
                                        without));
    }
}
