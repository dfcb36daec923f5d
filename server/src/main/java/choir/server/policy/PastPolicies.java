package choir.server.policy;

import choir.fleet.Node;
import choir.policy.Calendars;
import choir.policy.EffectivePolicy;
import choir.policy.NodeWords;
import choir.policy.PolicyBook;
import choir.refusal.Refusal;
import choir.server.db.Database;
import choir.server.fleet.StoredCamera;
import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import java.time.Clock;
import java.time.DateTimeException;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.Collection;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.SortedSet;
import java.util.TreeSet;
import org.springframework.stereotype.Component;

/**
 * Which policy was in force at any time of the past: what was said then, at which group the camera stood, and by which zone
 * its recorder went. Of the time before Choir was told of anything nothing was in force.
 */
@Component
public class PastPolicies {
    private static final Duration KNOWN_FOR = Duration.ofMinutes(1);
    private static final String CHANGES = """
            SELECT since FROM template_then WHERE since > :from AND since < :until
            UNION SELECT until FROM template_then WHERE until > :from AND until < :until
            UNION SELECT since FROM template_use_then WHERE node_kind = 'GROUP' AND since > :from AND since < :until
            UNION SELECT until FROM template_use_then WHERE node_kind = 'GROUP' AND until > :from AND until < :until
            UNION SELECT since FROM policy_override_then WHERE node_kind = 'GROUP' AND since > :from AND since < :until
            UNION SELECT until FROM policy_override_then WHERE node_kind = 'GROUP' AND until > :from AND until < :until
            UNION SELECT since FROM calendar_then WHERE since > :from AND since < :until
            UNION SELECT until FROM calendar_then WHERE until > :from AND until < :until
            """;
    private static final String CHANGES_AT = """
            SELECT since AS at FROM template_use_then WHERE node_kind = 'CAMERA' AND node >= :first AND node < :last
              AND since < :until
            UNION SELECT until FROM template_use_then WHERE node_kind = 'CAMERA' AND node >= :first AND node < :last
              AND until IS NOT NULL
            UNION SELECT since FROM policy_override_then WHERE node_kind = 'CAMERA' AND node >= :first AND node < :last
              AND since < :until
            UNION SELECT until FROM policy_override_then WHERE node_kind = 'CAMERA' AND node >= :first AND node < :last
              AND until IS NOT NULL
            UNION SELECT since FROM place_then WHERE camera IN (SELECT id FROM camera WHERE recorder = :recorder)
            UNION SELECT since FROM zone_then WHERE recorder = :recorder
            """;

    /** What was in force for a camera over a part of the time. */
    public record InForce(Instant from, Instant until, EffectivePolicy policy, Calendars calendars, ZoneId zone) {}

    private record Moment(Instant at, LocalDate day) {}

    private record Said(PolicyBook book, Calendars calendars) {}

    private record Window(Instant from, Instant until) {}

    private final PolicyStore policies;
    private final NodeStore nodes;
    private final CalendarStore calendars;
    private final Database database;
    private final Clock clock;
    private final Cache<Moment, Said> known =
            Caffeine.newBuilder().maximumSize(64).expireAfterWrite(KNOWN_FOR).build();
    private final Cache<Window, List<Instant>> changes =
            Caffeine.newBuilder().maximumSize(64).expireAfterWrite(KNOWN_FOR).build();

    PastPolicies(PolicyStore policies, NodeStore nodes, CalendarStore calendars, Database database, Clock clock) {
        this.policies = policies;
        this.nodes = nodes;
        this.calendars = calendars;
        this.database = database;
        this.clock = clock;
    }

    /**
     * What was in force for the cameras of one recorder.
     *
     * @return by the camera's row, in the order of time; parts in which the zone is not known are left out
     */
    public Map<Long, List<InForce>> of(String recorder, Collection<StoredCamera> cameras, Instant from, Instant until) {
        Map<Long, List<InForce>> all = new HashMap<>();
        var places = places(recorder);
        var zones = zones(recorder);
        var moments = List.copyOf(moments(recorder, from, until));
        for (int i = 0; i < moments.size(); i++) {
            var begin = moments.get(i);
            var end = i + 1 < moments.size() ? moments.get(i + 1) : until;
            var zone = since(zones, begin)
                    .or(() -> zones.stream().findFirst().map(Since::text))
                    .flatMap(PastPolicies::zone);
            if (zone.isEmpty()) {
                continue;
            }
            var then = said(begin);
            var own = nodes.wordsOfCameras(recorder, begin);
            for (var camera : cameras) {
                // Of the time before Choir knew of it, it stood where it stands now, as far as anybody can tell.
                var group = since(places.getOrDefault(camera.id(), List.of()), begin)
                        .map(Node.Group::new)
                        .orElse(camera.group());
                var words = own.getOrDefault(camera.camera(), NodeWords.NONE);
                var policy = then.book().of(camera.camera(), group, words);
                all.computeIfAbsent(camera.id(), c -> new ArrayList<>())
                        .add(new InForce(begin, end, policy, then.calendars(), zone.get()));
            }
        }
        return all;
    }

    /** When something changed in what was said, the beginning first; and each midnight, since overrides end with a day. */
    private SortedSet<Instant> moments(String recorder, Instant from, Instant until) {
        SortedSet<Instant> moments = new TreeSet<>(List.of(from));
        moments.addAll(changes.get(new Window(from, until), w -> changes(w.from(), w.until())));
        moments.addAll(database.query(CHANGES_AT)
                .param("first", recorder + "/")
                .param("last", recorder + "0")
                .param("recorder", recorder)
                .param("until", until.toEpochMilli())
                .query((row, n) -> Instant.ofEpochMilli(row.getLong(1)))
                .list());
        var zone = clock.getZone();
        for (var day = from.atZone(zone).toLocalDate().plusDays(1);
                day.atStartOfDay(zone).toInstant().isBefore(until);
                day = day.plusDays(1)) {
            moments.add(day.atStartOfDay(zone).toInstant());
        }
        return moments.tailSet(from).headSet(until);
    }

    private List<Instant> changes(Instant from, Instant until) {
        return database.query(CHANGES)
                .param("from", from.toEpochMilli())
                .param("until", until.toEpochMilli())
                .query((row, n) -> Instant.ofEpochMilli(row.getLong(1)))
                .list();
    }

    private Said said(Instant then) {
        return known.get(
                new Moment(then, then.atZone(clock.getZone()).toLocalDate()),
                m -> new Said(policies.bookThen(m.at(), m.day()), calendars.calendarsThen(m.at())));
    }

    /** A text that held since a moment. */
    private record Since(Instant since, String text) {}

    /** What held then; empty before anything is known. */
    private static Optional<String> since(List<Since> texts, Instant then) {
        Optional<String> found = Optional.empty();
        for (var one : texts) {
            if (!one.since().isAfter(then)) {
                found = Optional.of(one.text());
            }
        }
        return found;
    }

    private Map<Long, List<Since>> places(String recorder) {
        Map<Long, List<Since>> places = new HashMap<>();
        database.query("""
                        SELECT camera, camera_group, since FROM place_then
                        WHERE camera IN (SELECT id FROM camera WHERE recorder = :recorder) ORDER BY since
                        """).param("recorder", recorder).query(row -> {
            places.computeIfAbsent(row.getLong("camera"), c -> new ArrayList<>())
                    .add(new Since(Instant.ofEpochMilli(row.getLong("since")), row.getString("camera_group")));
        });
        return places;
    }

    private List<Since> zones(String recorder) {
        return database.query("SELECT zone, since FROM zone_then WHERE recorder = :recorder ORDER BY since")
                .param("recorder", recorder)
                .query((row, n) -> new Since(Instant.ofEpochMilli(row.getLong("since")), row.getString("zone")))
                .list();
    }

    private static Optional<ZoneId> zone(String text) {
        try {
            return Optional.of(ZoneId.of(text));
        } catch (DateTimeException e) {
            return Optional.empty();
        }
    }

    private static final List<String> SAID =
            List.of("template_then", "template_use_then", "policy_override_then", "calendar_then");

    /**
     * What is said within this transaction was in force already: whoever comes with rules that have stood for long says
     * since when.
     *
     * @param said says it
     * @throws Refusal when something else was said of the same meanwhile, so that it cannot be
     */
    void inForceSince(Instant since, Runnable said) {
        Map<String, Long> before = new HashMap<>();
        for (var table : SAID) {
            before.put(
                    table,
                    database.query("SELECT ifnull(max(rowid), 0) FROM " + table)
                            .query(Long.class)
                            .single());
        }
        long begun = database.query("SELECT CAST(unixepoch('subsec') * 1000 AS INTEGER)")
                .query(Long.class)
                .single();
        said.run();
        for (var table : SAID) {
            var other = database.query(
                            "SELECT since FROM " + table
                                    + " WHERE until >= :begun AND rowid <= :last AND since > :since ORDER BY since DESC LIMIT 1")
                    .param("begun", begun)
                    .param("last", before.get(table))
                    .param("since", since.toEpochMilli())
                    .query(Long.class)
                    .optional();
            if (other.isPresent()) {
                throw new Refusal("something else was said on "
                        + Instant.ofEpochMilli(other.get())
                                .atZone(clock.getZone())
                                .toLocalDate()
                        + " of what these files change, so they cannot have been in force since before that");
            }
            database.change("UPDATE " + table + " SET until = :since WHERE until >= :begun AND rowid <= :last")
                    .param("begun", begun)
                    .param("last", before.get(table))
                    .param("since", since.toEpochMilli())
                    .update();
            database.change("UPDATE " + table + " SET since = :since WHERE rowid > :last")
                    .param("last", before.get(table))
                    .param("since", since.toEpochMilli())
                    .update();
        }
        known.invalidateAll();
        changes.invalidateAll();
    }
}
