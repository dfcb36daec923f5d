package choir.server.audit;

import choir.drift.Cause;
import choir.drift.Distance;
import choir.drift.Matter;
import choir.drift.Severity;
import choir.fleet.Node;
import choir.fleet.RecorderName;
import choir.policy.SettingKey;
import choir.server.db.Database;
import choir.server.fleet.RecorderFollower;
import choir.server.fleet.StoredCamera;
import choir.server.stored.DistanceJson;
import choir.server.stored.Json;
import choir.server.stored.MatterJson;
import choir.server.web.Problem;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.time.Clock;
import java.time.Instant;
import java.time.LocalDate;
import java.util.Collection;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.Function;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Component;

/**
 * Findings, open and ended. A finding keeps the names of what it is about, so that it can still be read when the recorder is
 * gone.
 */
@Component
public class FindingStore implements RecorderFollower {
    private static final String FINDING = """
            SELECT f.id, f.recorder, f.channel, f.label, c.camera_group, f.matter, f.cause, f.distance, f.severity,
                   f.sentence, f.desired, f.observed, f.first_seen, f.last_seen, f.audit, f.ended_at, f.ended_by,
                   f.returns, f.accepted_until, f.assigned_to, f.assigned_note
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
        return database.query(FINDING + " WHERE f.ended_at IS NULL").query(FindingStore::finding).list().stream()
                .sorted(Comparator.comparing(Cursor::of))
                .toList();
    }

    /** Those that somebody accepted and that stay quiet today, in the order of their end. */
    public List<Finding> accepted() {
        return database.query(FINDING + " WHERE f.accepted_until >= :today ORDER BY f.accepted_until, f.id")
                .param("today", LocalDate.now(clock).toString())
                .query(FindingStore::finding)
                .list();
    }

    /** Those that were open at some time within the span, the oldest first. */
    public List<Finding> within(Instant from, Instant to) {
        return database.query(FINDING + """
                         WHERE f.ended_at IS NULL AND f.first_seen < :to
                        UNION ALL
                        """ + FINDING + """
                         WHERE f.ended_at > :from AND f.first_seen < :to
                        ORDER BY 13, 1
                        """)
                .param("from", from.toString())
                .param("to", to.toString())
                .query(FindingStore::finding)
                .list();
    }

    /** Those that an audit opened and that are still open, the worst first. */
    public List<Finding> openedBy(long audit, Instant since) {
        return database
                .query(FINDING + " WHERE f.audit = :audit AND f.ended_at IS NULL AND f.first_seen >= :since")
                .param("audit", audit)
                .param("since", since.toString())
                .query(FindingStore::finding)
                .list()
                .stream()
                .sorted(Comparator.comparing(Cursor::of))
                .toList();
    }

    /** Those that came after that one and are still open, the worst first. */
    public List<Finding> openedAfter(long id, int most) {
        return database
                .query(FINDING + " WHERE f.id > :id AND f.ended_at IS NULL ORDER BY f.id LIMIT :most")
                .param("id", id)
                .param("most", most)
                .query(FindingStore::finding)
                .list()
                .stream()
                .sorted(Comparator.comparing(Cursor::of))
                .toList();
    }

    /** Those that were there with that one or before it, and have ended from then on. */
    public List<Finding> endedSince(Instant at, long id, int most) {
        return database.query(FINDING + " WHERE f.ended_at >= :at AND f.id <= :id LIMIT :most")
                .param("at", at.toString())
                .param("id", id)
                .param("most", most)
                .query(FindingStore::finding)
                .list();
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
        var recorder = row.getString("recorder");
        var endedAt = row.getString("ended_at");
        var returns = row.getLong("returns");
        boolean returned = !row.wasNull();
        var assignee = row.getString("assigned_to");
        return new Finding(
                row.getLong("id"),
                recorder,
                Optional.ofNullable(row.getString("channel"))
                        .map(channel -> new Node.Camera(new RecorderName(recorder), channel)),
                row.getString("label"),
                Optional.ofNullable(row.getString("camera_group")).map(Node.Group::new),
                matter(row.getString("matter")),
                Optional.ofNullable(row.getString("cause")).map(Cause::valueOf),
                distance(row.getString("distance")),
                Severity.valueOf(row.getString("severity")),
                row.getString("sentence"),
                Optional.ofNullable(row.getString("desired")),
                Optional.ofNullable(row.getString("observed")),
                Instant.parse(row.getString("first_seen")),
                Instant.parse(row.getString("last_seen")),
                row.getLong("audit"),
                endedAt == null
                        ? Optional.empty()
                        : Optional.of(new Finding.End(Instant.parse(endedAt), row.getString("ended_by"))),
                returned ? Optional.of(returns) : Optional.empty(),
                Optional.ofNullable(row.getString("accepted_until")).map(LocalDate::parse),
                assignee == null
                        ? Optional.empty()
                        : Optional.of(new Finding.Assignment(assignee, row.getString("assigned_note"))));
    }

    private static Matter matter(String text) {
        try {
            return MatterJson.read(text);
        } catch (Json.UnreadableException e) {
            return new Matter.NotUnderstood();
        }
    }

    /** Nothing is counted of a distance that cannot be understood; the sentence beside it still says it. */
    private static Distance distance(String text) {
        try {
            return DistanceJson.read(text);
        } catch (Json.UnreadableException e) {
            return Distance.none();
        }
    }

    /**
     * Takes what an audit saw at one camera: known findings are brought up to date, new ones opened, and those that are
     * no longer there ended. To be called within a transaction.
     *
     * @param ending why a finding that was not seen again has ended; empty when the audit cannot tell, and it stays
     */
    void take(long audit, StoredCamera camera, Collection<Seen> seen, Function<Matter, Optional<String>> ending) {
        var at = new Place(
                camera.camera().recorder().text(), camera.id(), camera.camera().channel(), camera.label());
        take(audit, at, seen, ending);
    }

    /** The same for what is wrong with a recorder as a whole. */
    void take(long audit, String recorder, Collection<Seen> seen, Function<Matter, Optional<String>> ending) {
        take(audit, new Place(recorder, null, null, ""), seen, ending);
    }

    private record Place(
            String recorder,
            @Nullable Long camera,
            @Nullable String channel,
            String label) {}

    private void take(long audit, Place at, Collection<Seen> seen, Function<Matter, Optional<String>> ending) {
        var now = clock.instant().toString();
        var known = knownAt(at);
        Set<String> still = new HashSet<>();
        for (var one : seen) {
            var matter = MatterJson.write(one.matter());
            if (still.add(matter)) {
                take(audit, at, one, Optional.ofNullable(known.get(matter)), now);
            }
        }
        known.forEach((matter, one) -> {
            if (!still.contains(matter)) {
                var why = matter(matter) instanceof Matter.NotUnderstood
                        ? Optional.of("what it was about cannot be understood any more")
                        : ending.apply(matter(matter));
                why.ifPresent(by -> noLonger(one, by, now));
            }
        });
    }

    private void take(long audit, Place at, Seen seen, Optional<KnownOne> known, String now) {
        if (known.isPresent() && known.get().acceptance().isEmpty()) {
            update(known.get().id(), audit, seen, now);
        } else if (known.isEmpty() || !known.get().acceptance().get().covers(seen, LocalDate.now(clock))) {
            known.ifPresent(k -> lapse(k.id()));
            add(audit, at, MatterJson.write(seen.matter()), seen, now);
        }
    }

    private void noLonger(KnownOne known, String by, String now) {
        if (known.acceptance().isPresent()) {
            lapse(known.id());
        } else {
            end(known.id(), by, now);
        }
    }

    /** @param acceptance with which it ended; empty for one that is open */
    private record KnownOne(long id, Optional<Acceptance> acceptance) {}

    /** What is open at a place, and what was accepted there, by what it is about. */
    private Map<String, KnownOne> knownAt(Place at) {
        Map<String, KnownOne> known = new HashMap<>();
        database.query("""
                        SELECT id, matter, accepted_until, desired, observed, sentence FROM finding
                        WHERE recorder = :recorder AND ifnull(channel, '') = :channel AND ended_at IS NULL
                        UNION ALL
                        SELECT id, matter, accepted_until, desired, observed, sentence FROM finding
                        WHERE recorder = :recorder AND ifnull(channel, '') = :channel AND accepted_until IS NOT NULL
                        """)
                .param("recorder", at.recorder())
                .param("channel", at.channel() == null ? "" : at.channel())
                .query(row -> {
                    known.put(row.getString("matter"), new KnownOne(row.getLong("id"), Acceptance.of(row)));
                });
        return known;
    }

    /** It was accepted for what it was then; when that moves, or its day is past, it no longer is. */
    private void lapse(long id) {
        database.change("UPDATE finding SET accepted_until = NULL WHERE id = :id")
                .param("id", id)
                .update();
    }

    private void add(long audit, Place at, String matter, Seen seen, String now) {
        database.change("""
                        INSERT INTO finding (recorder, camera, channel, label, matter, cause, distance, severity,
                          sentence, desired, observed, first_seen, last_seen, audit, returns)
                        VALUES (:recorder, :camera, :channel, :label, :matter, :cause, :distance, :severity,
                          :sentence, :desired, :observed, :now, :now, :audit,
                          (SELECT max(id) FROM finding WHERE recorder = :recorder
                           AND ifnull(channel, '') = ifnull(:channel, '') AND matter = :matter))
                        """)
                .params(values(seen))
                .param("recorder", at.recorder())
                .param("camera", at.camera())
                .param("channel", at.channel())
                .param("label", at.label())
                .param("matter", matter)
                .param("audit", audit)
                .param("now", now)
                .update();
    }

    private void update(long id, long audit, Seen seen, String now) {
        database.change("""
                        UPDATE finding SET cause = :cause, distance = :distance, severity = :severity,
                          sentence = :sentence, desired = :desired, observed = :observed, last_seen = :now,
                          audit = :audit
                        WHERE id = :id AND ended_at IS NULL
                        """)
                .params(values(seen))
                .param("audit", audit)
                .param("now", now)
                .param("id", id)
                .update();
    }

    private static Map<String, @Nullable Object> values(Seen seen) {
        Map<String, @Nullable Object> values = new HashMap<>();
        values.put("cause", seen.cause().map(Enum::name).orElse(null));
        values.put("distance", DistanceJson.write(seen.distance()));
        values.put("severity", seen.severity().name());
        values.put("sentence", seen.sentence());
        values.put("desired", seen.desired().orElse(null));
        values.put("observed", seen.observed().orElse(null));
        return values;
    }

    private void end(long id, String by, String now) {
        end(id, by, now, Optional.empty());
    }

    /** Ends it by a person's decision; to be called within a transaction. */
    void decide(long id, String by, Optional<LocalDate> acceptedUntil) {
        end(id, by, clock.instant().toString(), acceptedUntil);
    }

    private void end(long id, String by, String now, Optional<LocalDate> acceptedUntil) {
        database.change("""
                        UPDATE finding SET ended_at = :now, ended_by = :by, accepted_until = :until
                        WHERE id = :id AND ended_at IS NULL
                        """)
                .param("now", now)
                .param("by", by)
                .param("until", acceptedUntil.map(LocalDate::toString).orElse(null))
                .param("id", id)
                .update();
    }

    /** The cameras of which an open finding says that a value lies far from its peers'. */
    List<Long> withOutliers() {
        return database.query("""
                        SELECT DISTINCT camera FROM finding
                        WHERE ended_at IS NULL AND camera IS NOT NULL AND json_extract(matter, '$.about') = 'outlier'
                        """).query(Long.class).list();
    }

    /** Open ones that a person sees to, the worst first. */
    public List<Finding> givenTo(String person, int most) {
        return database
                .query(FINDING + " WHERE f.assigned_to = :person AND f.ended_at IS NULL LIMIT :most")
                .param("person", person)
                .param("most", most)
                .query(FindingStore::finding)
                .list()
                .stream()
                .sorted(Comparator.comparing(Cursor::of))
                .toList();
    }

    /** Gives it to a person to see to, or to nobody; to be called within a transaction. */
    void assign(long id, Optional<String> to, String note) {
        database.change("UPDATE finding SET assigned_to = :to, assigned_note = :note WHERE id = :id")
                .param("to", to.orElse(null))
                .param("note", note)
                .param("id", id)
                .update();
    }

    /** Values that were written and read back end the findings about them; to be called within a transaction. */
    public void givenOut(long camera, Set<SettingKey> keys) {
        for (var key : keys) {
            database.change("""
                            UPDATE finding SET ended_at = :now, ended_by = 'given out again'
                            WHERE camera = :camera AND matter = :matter AND ended_at IS NULL
                            """)
                    .param("now", clock.instant().toString())
                    .param("camera", camera)
                    .param("matter", MatterJson.write(new Matter.Value(key)))
                    .update();
        }
    }

    /** That it was another one has been decided; what is wrong at the new one is for the next audit to say. */
    @Override
    public void recorderIsReplaced(String recorder) {
        database.change("""
                        UPDATE finding SET ended_at = :now, ended_by = 'another device takes its place'
                        WHERE recorder = :recorder AND matter = :matter AND ended_at IS NULL
                        """)
                .param("now", clock.instant().toString())
                .param("recorder", recorder)
                .param("matter", MatterJson.write(new Matter.AnotherDevice()))
                .update();
    }

    /** What was wrong with it is no longer anybody's concern. */
    @Override
    public void recorderIsRemoved(String recorder) {
        database.change("""
                        UPDATE finding SET ended_at = :now, ended_by = 'its recorder was removed'
                        WHERE recorder = :recorder AND ended_at IS NULL
                        """)
                .param("now", clock.instant().toString())
                .param("recorder", recorder)
                .update();
    }
}
