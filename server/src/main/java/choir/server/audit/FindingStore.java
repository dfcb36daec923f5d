package choir.server.audit;

import choir.policy.Catalogue;
import choir.policy.SettingKey;
import choir.server.db.Database;
import choir.server.web.Problem;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.time.Clock;
import java.util.Collection;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Component;

/** Findings, open and ended. */
@Component
public class FindingStore {
    private static final String FINDING = """
            SELECT f.id, f.recorder, c.channel, c.label, c.camera_group, f.key, f.cause, f.direction, f.loss, f.waste,
                   f.unit, f.minutes_without_recording, f.severity, f.sentence, f.desired, f.observed, f.first_seen,
                   f.last_seen, f.audit, f.ended_at, f.ended_by, f.returns
            FROM finding f LEFT JOIN camera c ON c.id = f.camera
            """;

    private final Database database;
    private final Clock clock;

    FindingStore(Database database, Clock clock) {
        this.database = database;
        this.clock = clock;
    }

    /** Worst first, then the oldest. */
    public List<Finding> open() {
        return database.query(FINDING + """
                         WHERE f.ended_at IS NULL
                        ORDER BY CASE f.severity WHEN 'HIGH' THEN 0 WHEN 'MEDIUM' THEN 1 ELSE 2 END, f.first_seen, f.id
                        """).query(FindingStore::finding).list();
    }

    /** Open and ended ones of one camera, the newest first. */
    public List<Finding> of(long camera) {
        return database.query(FINDING + " WHERE f.camera = :camera ORDER BY f.id DESC LIMIT 100")
                .param("camera", camera)
                .query(FindingStore::finding)
                .list();
    }

    public Finding get(long id) {
        return database.query(FINDING + " WHERE f.id = :id")
                .param("id", id)
                .query(FindingStore::finding)
                .optional()
                .orElseThrow(() -> new Problem(Problem.Kind.NOT_FOUND, "there is no finding " + id));
    }

    private static Finding finding(ResultSet row, int number) throws SQLException {
        var channel = row.getString("channel");
        var key = row.getString("key");
        var returns = row.getLong("returns");
        return new Finding(
                row.getLong("id"),
                row.getString("recorder"),
                channel == null ? null : row.getString("recorder") + "/" + channel,
                channel == null ? "" : row.getString("label"),
                channel == null ? "" : row.getString("camera_group"),
                key,
                title(key),
                row.getString("cause"),
                row.getString("direction"),
                row.getInt("loss"),
                row.getInt("waste"),
                row.getString("unit"),
                row.getInt("minutes_without_recording"),
                row.getString("severity"),
                row.getString("sentence"),
                row.getString("desired"),
                row.getString("observed"),
                row.getString("first_seen"),
                row.getString("last_seen"),
                row.getLong("audit"),
                row.getString("ended_at"),
                row.getString("ended_by"),
                returns == 0 ? null : (Long) returns);
    }

    private static String title(String key) {
        return switch (key) {
            case "reading" -> "Recorder";
            case "clock" -> "Clock";
            case "zone" -> "Time zone";
            default ->
                Catalogue.get(new SettingKey(key.substring(key.indexOf(' ') + 1)))
                        .title();
        };
    }

    /**
     * Takes what an audit saw: known findings are brought up to date, new ones opened, and those in the audit's reach
     * that were not seen again ended.
     */
    void take(long audit, Collection<Seen> seen, Set<Long> camerasRead, Set<String> recordersTried) {
        var now = clock.instant().toString();
        Set<Long> still = new HashSet<>();
        for (var one : seen) {
            var known = openId(one);
            still.add(known == null ? add(audit, one, now) : update(known, audit, one, now));
        }
        for (var finding : openRows()) {
            boolean reached = finding.camera() == null
                    ? recordersTried.contains(finding.recorder())
                    : camerasRead.contains(finding.camera());
            if (reached && !still.contains(finding.id())) {
                end(finding.id(), "in tune again", now);
            }
        }
    }

    private record Row(long id, String recorder, @Nullable Long camera) {}

    private List<Row> openRows() {
        return database.query("SELECT id, recorder, camera FROM finding WHERE ended_at IS NULL")
                .query(Row.class)
                .list();
    }

    private @Nullable Long openId(Seen seen) {
        return database.query("""
                        SELECT id FROM finding
                        WHERE recorder = :recorder AND ifnull(camera, 0) = :camera AND key = :key AND ended_at IS NULL
                        """)
                .param("recorder", seen.recorder())
                .param("camera", seen.camera().orElse(0L))
                .param("key", seen.key())
                .query(Long.class)
                .optional()
                .orElse(null);
    }

    private long add(long audit, Seen seen, String now) {
        return database.change("""
                        INSERT INTO finding (recorder, camera, key, cause, direction, loss, waste, unit,
                          minutes_without_recording, severity, sentence, desired, observed, first_seen, last_seen, audit,
                          returns)
                        VALUES (:recorder, :camera, :key, :cause, :direction, :loss, :waste, :unit, :minutes, :severity,
                          :sentence, :desired, :observed, :now, :now, :audit,
                          (SELECT max(id) FROM finding WHERE recorder = :recorder
                           AND ifnull(camera, 0) = ifnull(:camera, 0) AND key = :key))
                        RETURNING id
                        """)
                .params(values(seen))
                .param("recorder", seen.recorder())
                .param("camera", seen.camera().orElse(null))
                .param("key", seen.key())
                .param("audit", audit)
                .param("now", now)
                .query(Long.class)
                .single();
    }

    private long update(long id, long audit, Seen seen, String now) {
        database.change("""
                        UPDATE finding SET cause = :cause, direction = :direction, loss = :loss, waste = :waste,
                          unit = :unit, minutes_without_recording = :minutes, severity = :severity,
                          sentence = :sentence, desired = :desired, observed = :observed, last_seen = :now,
                          audit = :audit
                        WHERE id = :id
                        """)
                .params(values(seen))
                .param("audit", audit)
                .param("now", now)
                .param("id", id)
                .update();
        return id;
    }

    private static java.util.Map<String, @Nullable Object> values(Seen seen) {
        java.util.Map<String, @Nullable Object> values = new java.util.HashMap<>();
        values.put("cause", seen.cause());
        values.put("direction", seen.cost().direction().name());
        values.put("loss", seen.cost().loss());
        values.put("waste", seen.cost().waste());
        values.put("unit", seen.cost().unit());
        values.put("minutes", seen.cost().minutesWithoutRecording());
        values.put("severity", seen.severity().name());
        values.put("sentence", seen.sentence());
        values.put("desired", seen.desired().orElse(null));
        values.put("observed", seen.observed().orElse(null));
        return values;
    }

    private void end(long id, String by, String now) {
        database.change("UPDATE finding SET ended_at = :now, ended_by = :by WHERE id = :id AND ended_at IS NULL")
                .param("now", now)
                .param("by", by)
                .param("id", id)
                .update();
    }

    /** Values that were written and read back end the findings about them; to be called within a transaction. */
    public void givenOut(long camera, Set<SettingKey> keys) {
        var now = clock.instant().toString();
        for (var key : keys) {
            database.query("SELECT id FROM finding WHERE camera = :camera AND key = :key AND ended_at IS NULL")
                    .param("camera", camera)
                    .param("key", key.text())
                    .query(Long.class)
                    .list()
                    .forEach(id -> end(id, "given out again", now));
        }
    }
}
