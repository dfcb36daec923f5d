package choir.server.activity;

import choir.activity.DayActivity;
import choir.activity.DayActivity.Why;
import choir.activity.SpanComparison.Totals;
import choir.activity.Spans.Span;
import choir.server.db.Database;
import choir.server.stored.Json;
import choir.storage.Movement;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.Collection;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalDouble;
import java.util.OptionalLong;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.stereotype.Component;

/** The rows of what was recorded, a camera and day each. */
@Component
public class ActivityStore {
    private static final Logger LOG = LoggerFactory.getLogger(ActivityStore.class);
    private static final Map<Why, String> COLUMNS = new EnumMap<>(Map.of(
            Why.CONTINUOUS, "continuous",
            Why.MOTION, "motion",
            Why.ALARM, "alarm",
            Why.ANALYTICS, "analytics",
            Why.BOTH, "motion_and_alarm",
            Why.UNEXPLAINED, "unexplained"));
    private static final String SUMS =
            "SELECT camera, day, begins, ends, taken_at, clock_ahead, known, continuous, motion,"
                    + " alarm, analytics, motion_and_alarm, unexplained, motion_known, moved, events, missing";

    private static final int MEASURED_DAYS = 14;

    private final Database database;

    ActivityStore(Database database) {
        this.database = database;
    }

    /** Instead of what was known of that day; to be called within a transaction. */
    void put(ActivityDay day) {
        var statement = database.change("""
                        INSERT OR REPLACE INTO activity_day (camera, day, begins, ends, taken_at,
                          clock_ahead, known, continuous, motion, alarm, analytics, motion_and_alarm, unexplained,
                          motion_known, moved, events, missing, body)
                        VALUES (:camera, :day, :begins, :ends, :taken, :ahead, :known, :continuous, :motion,
                          :alarm, :analytics, :motion_and_alarm, :unexplained, :motionKnown, :moved, :events, :missing,
                          :body)
                        """)
                .param("camera", day.camera())
                .param("day", day.date().toEpochDay())
                .param("begins", day.day().from())
                .param("ends", day.day().until())
                .param("taken", day.takenAt().getEpochSecond())
                .param("ahead", day.clockAhead())
                .param("known", day.known())
                .param("motionKnown", day.motionKnown())
                .param("moved", day.moved())
                .param("events", day.events())
                .param("missing", day.missing().isPresent() ? day.missing().getAsLong() : null)
                .param("body", day.detail().map(ActivityBody::write).orElse(null));
        for (var column : COLUMNS.entrySet()) {
            statement = statement.param(column.getValue(), day.by(column.getKey()));
        }
        statement.update();
    }

    /** How old the oldest footage of a camera is; to be called within a transaction. */
    void kept(long camera, Optional<Instant> oldest, Instant at) {
        database.change("""
                        INSERT INTO footage_kept (camera, oldest, taken_at) VALUES (:camera, :oldest, :at)
                        ON CONFLICT (camera) DO UPDATE SET oldest = excluded.oldest, taken_at = excluded.taken_at,
                          deletes = CASE WHEN excluded.oldest > footage_kept.oldest THEN 1
                            WHEN excluded.oldest = footage_kept.oldest
                              AND excluded.taken_at < footage_kept.taken_at + 86400 THEN deletes
                            ELSE 0 END
                        """)
                .param("camera", camera)
                .param("oldest", oldest.map(Instant::getEpochSecond).orElse(null))
                .param("at", at.getEpochSecond())
                .update();
    }

    /** Days that were over when they were told, of all of these cameras. */
    List<LocalDate> closed(Collection<Long> cameras, LocalDate from, LocalDate until) {
        if (cameras.isEmpty()) {
            return List.of();
        }
        return database.query("""
                        SELECT day FROM activity_day
                        WHERE camera IN (:cameras) AND day >= :from AND day <= :until AND taken_at >= ends
                        GROUP BY day HAVING count(*) = :count
                        """)
                .param("cameras", cameras)
                .param("from", from.toEpochDay())
                .param("until", until.toEpochDay())
                .param("count", cameras.size())
                .query((row, n) -> LocalDate.ofEpochDay(row.getLong("day")))
                .list();
    }

    /**
     * Of one camera, in order.
     *
     * @param until included
     * @param detailed with the stretches, where they are kept
     */
    public List<ActivityDay> of(long camera, LocalDate from, LocalDate until, boolean detailed) {
        return database.query(SUMS + (detailed ? ", body" : "") + """
                         FROM activity_day WHERE camera = :camera AND day >= :from AND day <= :until ORDER BY day
                        """)
                .param("camera", camera)
                .param("from", from.toEpochDay())
                .param("until", until.toEpochDay())
                .query((row, n) -> day(row, detailed))
                .list();
    }

    /** All days of a span together. */
    public Totals totals(long camera, LocalDate from, LocalDate until) {
        Map<Why, Long> seconds = new EnumMap<>(Why.class);
        long known = 0;
        long motionKnown = 0;
        long moved = 0;
        long events = 0;
        long missing = 0;
        for (var day : of(camera, from, until, false)) {
            known += day.known();
            day.seconds().forEach((why, s) -> seconds.merge(why, s, Long::sum));
            motionKnown += day.motionKnown();
            moved += day.moved();
            events += day.events();
            missing += day.missing().orElse(0);
        }
        return new Totals(known, seconds, motionKnown, moved, events, missing);
    }

    /**
     * What a camera takes.
     *
     * @param days of which anything is kept
     * @param detail bytes of stretches
     * @param old of these, those of before a day
     */
    record Taken(long days, long detail, long old) {}

    Taken taken(long camera, LocalDate before) {
        return database.query("""
                        SELECT count(*) AS days, coalesce(sum(length(body)), 0) AS detail,
                          coalesce(sum(CASE WHEN day < :before THEN length(body) END), 0) AS old
                        FROM activity_day WHERE camera = :camera
                        """)
                .param("camera", camera)
                .param("before", before.toEpochDay())
                .query((row, n) -> new Taken(row.getLong("days"), row.getLong("detail"), row.getLong("old")))
                .single();
    }

    /** How often a camera saw motion in the two weeks before that day, as far back as its recorder tells. */
    Optional<Movement> movement(long camera, LocalDate today, ZoneId zone) {
        return Movement.of(
                of(camera, today.minusDays(MEASURED_DAYS), today.minusDays(1), true).stream()
                        .flatMap(d -> d.detail().stream())
                        .dropWhile(d -> d.motionKnown().seconds() < d.day().seconds())
                        .toList(),
                zone);
    }

    /** For which share of the time that is known there is footage; empty when none is known. */
    OptionalDouble recordedShare(long camera, LocalDate from, LocalDate until) {
        long known = 0;
        long recorded = 0;
        for (var day : of(camera, from, until, false)) {
            known += day.known();
            recorded +=
                    day.seconds().values().stream().mapToLong(Long::longValue).sum();
        }
        return known == 0 ? OptionalDouble.empty() : OptionalDouble.of(Math.min(1, (double) recorded / (double) known));
    }

    private static ActivityDay day(ResultSet row, boolean detailed) throws SQLException {
        Map<Why, Long> seconds = new EnumMap<>(Why.class);
        for (var column : COLUMNS.entrySet()) {
            long sum = row.getLong(column.getValue());
            if (sum > 0) {
                seconds.put(column.getKey(), sum);
            }
        }
        var day = new Span(row.getLong("begins"), row.getLong("ends"));
        long missing = row.getLong("missing");
        var compared = row.wasNull() ? OptionalLong.empty() : OptionalLong.of(missing);
        return new ActivityDay(
                row.getLong("camera"),
                LocalDate.ofEpochDay(row.getLong("day")),
                day,
                Instant.ofEpochSecond(row.getLong("taken_at")),
                row.getLong("clock_ahead"),
                row.getLong("known"),
                seconds,
                row.getLong("motion_known"),
                row.getLong("moved"),
                row.getInt("events"),
                compared,
                detailed ? detail(row.getBytes("body"), day) : Optional.empty());
    }

    private static Optional<DayActivity> detail(byte @org.jspecify.annotations.Nullable [] body, Span day) {
        try {
            return Optional.ofNullable(body).map(b -> ActivityBody.read(b, day));
        } catch (Json.UnreadableException e) {
            LOG.warn("what is stored of a day cannot be understood: {}", e.getMessage());
            return Optional.empty();
        }
    }

    /** Leaves only the sums of days before the first date, and nothing of those before the second. */
    void fold(Collection<Long> cameras, LocalDate detailFrom, LocalDate sumsFrom) {
        for (long camera : cameras) {
            database.change("DELETE FROM activity_day WHERE camera = :camera AND day < :day")
                    .param("camera", camera)
                    .param("day", sumsFrom.toEpochDay())
                    .update();
            database.change("""
                            UPDATE activity_day SET body = NULL
                            WHERE camera = :camera AND day < :day AND body IS NOT NULL
                            """)
                    .param("camera", camera)
                    .param("day", detailFrom.toEpochDay())
                    .update();
        }
    }
}
