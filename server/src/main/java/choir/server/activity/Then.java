package choir.server.activity;

import choir.activity.Attribution.Held;
import choir.activity.Demand;
import choir.activity.NotRecorded;
import choir.activity.Plans;
import choir.activity.Spans;
import choir.activity.Spans.Span;
import choir.family.NativeConfig;
import choir.policy.Catalogue;
import choir.policy.EffectivePolicy;
import choir.policy.Value;
import choir.server.db.Database;
import choir.server.family.KnownFamilies;
import choir.server.fleet.FleetStore;
import choir.server.fleet.StoredCamera;
import choir.server.policy.PastPolicies;
import choir.server.policy.PastPolicies.InForce;
import choir.server.stored.Json;
import choir.server.stored.NativeJson;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.time.ZoneId;
import java.time.temporal.ChronoUnit;
import java.util.ArrayList;
import java.util.Collection;
import java.util.HashMap;
import java.util.HashSet;
import java.util.IdentityHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.springframework.stereotype.Component;

/** What was asked of cameras, what they were set to, and what excuses them, in a stretch of the past. */
@Component
public class Then {
    /** A step is noted when it was verified, and recording may stand still from before its write on. */
    private static final long AROUND_A_WRITE = 90;

    /**
     * What is known of one camera's past.
     *
     * @param demanded by the policies that were in force
     * @param possible what of that a recorder of its family can be set to
     * @param held what its recorder was set to, by a right clock, where that is known
     */
    record OfCamera(Demand demanded, Demand possible, List<Held> held) {
        NotRecorded.Past past(Spans excused, long secondsAhead) {
            List<Demand.Part> parts = new ArrayList<>();
            held.forEach(h -> parts.addAll(h.plan().parts()));
            return new NotRecorded.Past(demanded, possible, excused, new Demand(parts), secondsAhead);
        }
    }

    private final PastPolicies policies;
    private final FleetStore fleet;
    private final KnownFamilies families;
    private final Database database;
    private final Clock clock;

    Then(PastPolicies policies, FleetStore fleet, KnownFamilies families, Database database, Clock clock) {
        this.policies = policies;
        this.fleet = fleet;
        this.families = families;
        this.database = database;
        this.clock = clock;
    }

    /** By the camera's row. */
    Map<Long, OfCamera> of(
            String recorder, Collection<StoredCamera> cameras, ZoneId zone, Instant from, Instant until) {
        var family = fleet.find(recorder).flatMap(r -> families.named(r.family()));
        IdentityHashMap<EffectivePolicy, NativeConfig> given = new IdentityHashMap<>();
        var inForce = policies.of(recorder, cameras, from, until);
        var held = held(recorder, zone, from, until);
        Map<Long, OfCamera> all = new HashMap<>();
        for (var camera : cameras) {
            var policy = inForce.getOrDefault(camera.id(), List.of());
            var demanded = demanded(policy);
            List<Demand.Part> possible = new ArrayList<>();
            for (var one : policy) {
                family.map(f -> given.computeIfAbsent(one.policy(), p -> Plans.given(p, one.calendars(), f)))
                        .map(config -> Plans.held(config, one.zone(), one.from(), one.until()))
                        .ifPresent(h -> possible.addAll(h.plan().parts()));
            }
            all.put(
                    camera.id(),
                    new OfCamera(
                            demanded,
                            family.isPresent() ? new Demand(possible) : demanded,
                            held.getOrDefault(camera.id(), List.of())));
        }
        return all;
    }

    /** What had to be recorded on a day that is known to the second, and was not. */
    public List<NotRecorded.Gap> gaps(String recorder, StoredCamera camera, ZoneId zone, ActivityDay day) {
        if (day.detail().isEmpty()) {
            return List.of();
        }
        var from = day.day().begin();
        var until = day.day().end();
        var past = java.util.Objects.requireNonNull(
                of(recorder, List.of(camera), zone, from, until).get(camera.id()));
        return NotRecorded.of(day.detail().get(), past.past(excused(recorder, zone, from, until), day.clockAhead()));
    }

    /**
     * How long footage is kept.
     *
     * @param oldest what there is of it
     * @param demanded days, by the policy that was in force long enough ago; 0 where nobody demanded any
     */
    public record Kept(Instant oldest, long days, long demanded, ZoneId zone) {
        /** A day is let go for footage that goes by the day. */
        public boolean isShort() {
            return days < demanded - 1;
        }
    }

    /**
     * By the camera's row; missing where the recorder does not tell how old its oldest footage is.
     *
     * @param policies what is in force now, by the camera's row
     */
    public Map<Long, Kept> kept(
            String recorder, Collection<StoredCamera> cameras, ZoneId zone, Map<Long, EffectivePolicy> policies) {
        Map<Long, Instant> oldest = new HashMap<>();
        database.query("""
                        SELECT camera, oldest FROM footage_kept
                        WHERE oldest IS NOT NULL AND camera IN (SELECT id FROM camera WHERE recorder = :recorder)
                        """).param("recorder", recorder).query(row -> {
            oldest.put(row.getLong("camera"), Instant.ofEpochSecond(row.getLong("oldest")));
        });
        Map<Long, Long> demanded = new HashMap<>();
        policies.forEach((camera, policy) -> demandedDays(policy).ifPresent(days -> demanded.put(camera, days)));
        // By the hour, so that all recorders of a night are asked about the same moments.
        var now = clock.instant().truncatedTo(ChronoUnit.HOURS);
        Map<Long, Long> before = new HashMap<>();
        for (long days : new HashSet<>(demanded.values())) {
            // What is demanded today does not bring back what was not kept before it was.
            var at = now.minus(Duration.ofDays(days));
            this.policies.of(recorder, cameras, at, at.plusSeconds(1)).forEach((camera, then) -> {
                if (demanded.getOrDefault(camera, 0L) == days) {
                    demandedDays(then.getFirst().policy()).ifPresent(d -> before.put(camera, Math.min(days, d)));
                }
            });
        }
        Map<Long, Kept> kept = new HashMap<>();
        oldest.forEach((camera, since) -> kept.put(
                camera,
                new Kept(
                        since,
                        Duration.between(since, clock.instant()).toDays(),
                        before.getOrDefault(camera, 0L),
                        zone)));
        return kept;
    }

    private static Optional<Long> demandedDays(EffectivePolicy policy) {
        return policy.scalar(Catalogue.KEEP_AT_LEAST)
                .filter(Value.Amount.class::isInstance)
                .map(v -> ((Value.Amount) v).number().longValue());
    }

    public static String inWords(NotRecorded.Cause cause) {
        return switch (cause) {
            case CANNOT -> "the recorder cannot be set to that";
            case CLOCK -> "its clock was wrong";
            case HELD_OTHERWISE -> "the recorder was set to something else";
            case SET_AND_SILENT -> "the recorder was set to record it and has nothing";
            case NOT_KNOWN -> "what the recorder was set to then is not known";
        };
    }

    private static Demand demanded(List<InForce> inForce) {
        List<Demand.Part> parts = new ArrayList<>();
        for (var one : inForce) {
            parts.addAll(Plans.demanded(one.policy(), one.calendars(), one.zone(), one.from(), one.until())
                    .parts());
        }
        return new Demand(parts);
    }

    private Map<Long, List<Held>> held(String recorder, ZoneId zone, Instant from, Instant until) {
        Map<Long, List<Held>> all = new HashMap<>();
        Map<String, NativeConfig> understood = new HashMap<>();
        database.query("""
                        SELECT h.camera, h.hash, h.since, h.until, c.body FROM held_then h
                        JOIN content c ON c.hash = h.hash
                        WHERE h.camera IN (SELECT id FROM camera WHERE recorder = :recorder)
                          AND h.since < :until AND (h.until IS NULL OR h.until > :from)
                        ORDER BY h.since
                        """)
                .param("recorder", recorder)
                .param("from", from.toEpochMilli())
                .param("until", until.toEpochMilli())
                .query(row -> {
                    var config = understood.get(row.getString("hash"));
                    if (config == null) {
                        config = config(row.getString("body"));
                        understood.put(row.getString("hash"), config);
                    }
                    var begin = Instant.ofEpochMilli(Math.max(from.toEpochMilli(), row.getLong("since")));
                    long ends = row.getLong("until");
                    var end = row.wasNull() || ends > until.toEpochMilli() ? until : Instant.ofEpochMilli(ends);
                    all.computeIfAbsent(row.getLong("camera"), c -> new ArrayList<>())
                            .add(Plans.held(config, zone, begin, end));
                });
        return all;
    }

    /** What cannot be understood is not known. */
    private static NativeConfig config(String body) {
        try {
            return NativeJson.config(body);
        } catch (Json.UnreadableException e) {
            return NativeConfig.EMPTY;
        }
    }

    /** When the recorder was paused, or was being written. */
    Spans excused(String recorder, ZoneId zone, Instant from, Instant until) {
        List<Span> spans = new ArrayList<>();
        database.query("""
                        SELECT since, until, last_day FROM pause_then
                        WHERE recorder = :recorder AND since < :until AND (until IS NULL OR until > :from)
                        """)
                .param("recorder", recorder)
                .param("from", from.toEpochMilli())
                .param("until", until.toEpochMilli())
                .query(row -> {
                    long begin = row.getLong("since") / 1000;
                    long lifted = row.getLong("until");
                    boolean stands = row.wasNull();
                    long last = LocalDate.parse(row.getString("last_day"))
                            .plusDays(1)
                            .atStartOfDay(zone)
                            .toEpochSecond();
                    long end = stands ? last : Math.min(last, lifted / 1000 + 1);
                    if (begin < end) {
                        spans.add(new Span(begin, end));
                    }
                });
        database.query("""
                        SELECT updated_at FROM rollout_step
                        WHERE recorder = :recorder AND updated_at >= :from AND updated_at < :until
                        """)
                .param("recorder", recorder)
                .param("from", from.minus(Duration.ofSeconds(AROUND_A_WRITE)).toString())
                .param("until", until.plus(Duration.ofSeconds(AROUND_A_WRITE)).toString())
                .query(row -> {
                    long at = Instant.parse(row.getString("updated_at")).getEpochSecond();
                    spans.add(new Span(at - AROUND_A_WRITE, at + AROUND_A_WRITE));
                });
        return Spans.of(spans);
    }
}
