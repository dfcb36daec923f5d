package choir.server.audit;

import choir.activity.DayActivity.Why;
import choir.activity.NotRecorded;
import choir.activity.NotRecorded.Gap;
import choir.activity.Spans.Span;
import choir.activity.Triggering;
import choir.drift.Matter;
import choir.family.NativeValue;
import choir.fleet.Node;
import choir.fleet.Selection;
import choir.policy.EffectivePolicy;
import choir.policy.SettingKey;
import choir.server.activity.ActivityDay;
import choir.server.activity.ActivityFollower;
import choir.server.activity.ActivityStore;
import choir.server.activity.PictureStore;
import choir.server.activity.Then;
import choir.server.db.Database;
import choir.server.fleet.FleetStore;
import choir.server.fleet.StoredCamera;
import choir.server.standing.Standing;
import choir.server.standing.Standings;
import java.time.Clock;
import java.time.LocalDate;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import org.springframework.stereotype.Component;

/**
 * Findings about what was recorded over the last seven complete days: what had to be and was not, footage that is gone before
 * its days, cameras that never or always trigger beside their peers, and those whose picture shows nothing. Where too little is known nothing new is said, and
 * what was known stays.
 */
@Component
class RecordedCheck implements ActivityFollower {
    static final int DAYS = 7;
    private static final long HOUR = 3_600;
    /** Shorter gaps fall together by chance. */
    private static final long LONG = 600;

    private static final double MOST_OF = 0.9;
    private static final int MOST_PEERS = 500;
    /** So much of the days has to be known before cameras are compared. */
    private static final double ENOUGH = 0.8;

    private record Place(Node.Group group, String family) {}

    private final ActivityStore activity;
    private final PictureStore pictures;
    private final Then then;
    private final FindingStore findings;
    private final FleetStore fleet;
    private final Standings standings;
    private final Database database;
    private final Clock clock;

    RecordedCheck(
            ActivityStore activity,
            PictureStore pictures,
            Then then,
            FindingStore findings,
            FleetStore fleet,
            Standings standings,
            Database database,
            Clock clock) {
        this.activity = activity;
        this.pictures = pictures;
        this.then = then;
        this.findings = findings;
        this.fleet = fleet;
        this.standings = standings;
        this.database = database;
        this.clock = clock;
    }

    @Override
    public void taken(long work, String recorder) {
        var zone = fleet.find(recorder).flatMap(r -> r.zoneId());
        if (zone.isEmpty()) {
            return;
        }
        var today = LocalDate.ofInstant(clock.instant(), zone.get());
        var cameras = fleet.camerasOf(recorder);
        Map<Long, EffectivePolicy> policies = new HashMap<>();
        standings
                .ofRecorder(recorder)
                .values()
                .forEach(s -> policies.put(s.row().id(), s.policy()));
        var featureless = pictures.featureless(recorder);
        var kept = then.kept(recorder, cameras, zone.get(), policies);
        Map<Long, List<ActivityDay>> known = new HashMap<>();
        Map<Long, List<Gap>> missing = new HashMap<>();
        for (var camera : cameras) {
            var days = activity.of(camera.id(), today.minusDays(DAYS), today.minusDays(1), false);
            known.put(camera.id(), days);
            missing.put(camera.id(), gaps(recorder, camera, zone.get(), days));
        }
        for (var camera : cameras) {
            List<Seen> seen = new ArrayList<>();
            // Of these it is known that there is nothing else to say.
            Set<Class<?>> judged = new HashSet<>();
            var days = known.getOrDefault(camera.id(), List.of());
            notRecorded(camera.id(), missing, zone.get(), days).ifPresent(seen::add);
            if (days.stream().filter(d -> d.missing().isPresent()).count() == DAYS) {
                judged.add(Matter.NotRecorded.class);
            }
            Optional.ofNullable(kept.get(camera.id())).ifPresent(k -> {
                judged.add(Matter.KeptShort.class);
                if (k.isShort()) {
                    seen.add(Seen.keptShort(k));
                }
            });
            Optional.ofNullable(featureless.get(camera.id())).ifPresent(is -> {
                judged.add(Matter.NoPicture.class);
                if (is) {
                    seen.add(Seen.noPicture(
                            days.stream().mapToLong(ActivityDay::recorded).sum() / HOUR));
                }
            });
            if (days.stream().anyMatch(d -> d.events() > 0)) {
                judged.add(Matter.NoPicture.class);
            }
            if (!judged.isEmpty() || !seen.isEmpty()) {
                findings.take(
                        work,
                        camera,
                        seen,
                        matter -> judged.contains(matter.getClass()) ? Optional.of("well again") : Optional.empty());
            }
        }
    }

    private List<Gap> gaps(String recorder, StoredCamera camera, ZoneId zone, List<ActivityDay> days) {
        var bad = days.stream().filter(d -> d.missing().orElse(0) > 0).toList();
        List<Gap> gaps = new ArrayList<>();
        if (!bad.isEmpty()) {
            for (var day : activity.of(
                    camera.id(), bad.getFirst().date(), bad.getLast().date(), true)) {
                gaps.addAll(then.gaps(recorder, camera, zone, day));
            }
            gaps.removeIf(g -> g.cause() == NotRecorded.Cause.CANNOT);
        }
        return gaps;
    }

    private static Optional<Seen> notRecorded(
            long camera, Map<Long, List<Gap>> missing, ZoneId zone, List<ActivityDay> days) {
        var gaps = missing.getOrDefault(camera, List.of());
        long seconds = days.stream().mapToLong(d -> d.missing().orElse(0)).sum();
        int bad = (int) days.stream().filter(d -> d.missing().orElse(0) > 0).count();
        return gaps.stream()
                .max(Comparator.comparingLong(g -> g.span().seconds()))
                .map(longest -> Seen.notRecorded(
                        seconds, bad, gaps.size(), longest, together(camera, longest.span(), missing), zone));
    }

    /** How many other cameras of the same recorder have nothing at that time either, which is then no camera's fault. */
    private static int together(long camera, Span span, Map<Long, List<Gap>> missing) {
        return span.seconds() < LONG
                ? 0
                : (int) missing.entrySet().stream()
                        .filter(other -> other.getKey() != camera)
                        .filter(other -> other.getValue().stream().anyMatch(g -> covers(g.span(), span)))
                        .count();
    }

    private static boolean covers(Span one, Span other) {
        long both = Math.min(one.until(), other.until()) - Math.max(one.from(), other.from());
        return both >= MOST_OF * other.seconds();
    }

    @Override
    public void allTaken(long work, String selection) {
        var chosen = Selection.parse(selection);
        Map<Place, List<Standing>> places = new LinkedHashMap<>();
        var meant = standings.select(chosen);
        meant.forEach(s -> places.computeIfAbsent(new Place(s.group(), s.familyName()), p -> new ArrayList<>())
                .add(s));
        if (!chosen.alternatives().isEmpty()) {
            places.replaceAll((place, some) -> standings.select(Selection.within(place.group())).stream()
                    .filter(s ->
                            s.group().equals(place.group()) && s.familyName().equals(place.family()))
                    .toList());
        }
        Set<Long> asked = new HashSet<>();
        meant.forEach(s -> asked.add(s.row().id()));
        List<Standing> alone = new ArrayList<>();
        for (var members : places.values()) {
            if (!judge(work, members, asked, "same group and family")) {
                members.stream().filter(m -> asked.contains(m.row().id())).forEach(alone::add);
            }
        }
        variants(work, alone);
    }

    /** Whoever has too few peers in its group is judged beside those of its family that are set as it is, wherever they stand. */
    private void variants(long work, List<Standing> alone) {
        Map<Variant, Set<Long>> wanted = new LinkedHashMap<>();
        alone.forEach(s -> Variant.of(s)
                .ifPresent(v -> wanted.computeIfAbsent(v, x -> new HashSet<>())
                        .add(s.row().id())));
        if (wanted.isEmpty()) {
            return;
        }
        Map<Variant, List<Standing>> alike = new HashMap<>();
        standings
                .all()
                .forEach(s -> Variant.of(s)
                        .filter(wanted::containsKey)
                        .ifPresent(v ->
                                alike.computeIfAbsent(v, x -> new ArrayList<>()).add(s)));
        wanted.forEach((variant, cameras) ->
                judge(work, some(alike.getOrDefault(variant, List.of()), cameras), cameras, "same family, set alike"));
    }

    /** Those that are judged, and of their peers at most so many. */
    private static List<Standing> some(List<Standing> all, Set<Long> judged) {
        int every = Math.max(1, all.size() / MOST_PEERS);
        return IntStream.range(0, all.size())
                .filter(i -> i % every == 0 || judged.contains(all.get(i).row().id()))
                .mapToObj(all::get)
                .toList();
    }

    /** What a recorder of a family is seen to hold of motion. */
    private record Variant(String family, Map<SettingKey, NativeValue> motion) {
        static Optional<Variant> of(Standing camera) {
            return camera.held()
                    .map(held -> new Variant(
                            camera.familyName(),
                            held.values().entrySet().stream()
                                    .filter(e -> e.getKey().section().equals("motion"))
                                    .collect(Collectors.toMap(Map.Entry::getKey, Map.Entry::getValue))));
        }
    }

    /** @return false where too few are known */
    private boolean judge(long work, List<Standing> members, Set<Long> asked, String alike) {
        Map<Long, Triggering.Week> weeks = new HashMap<>();
        members.forEach(m -> week(m).ifPresent(w -> weeks.put(m.row().id(), w)));
        if (!Triggering.areEnough(weeks.size())) {
            return false;
        }
        var odd = Triggering.odd(weeks);
        for (var member : members) {
            long camera = member.row().id();
            if (!asked.contains(camera) || !weeks.containsKey(camera)) {
                continue;
            }
            var seen = Optional.ofNullable(odd.get(camera)).map(o -> Seen.triggering(o, alike)).stream()
                    .toList();
            database.write(() -> findings.take(
                    work,
                    member.row(),
                    seen,
                    matter -> matter instanceof Matter.NeverTriggers || matter instanceof Matter.AlwaysTriggers
                            ? Optional.of("like its peers again")
                            : Optional.empty()));
        }
        return true;
    }

    private Optional<Triggering.Week> week(Standing member) {
        var zone = member.recorder().zoneId();
        if (zone.isEmpty()) {
            return Optional.empty();
        }
        var today = LocalDate.ofInstant(clock.instant(), zone.get());
        var days = activity.of(member.row().id(), today.minusDays(DAYS), today.minusDays(1), false);
        long all = days.stream().map(ActivityDay::day).mapToLong(Span::seconds).sum();
        long known = days.stream().mapToLong(ActivityDay::motionKnown).sum();
        if (days.size() < DAYS || known < all * ENOUGH) {
            return Optional.empty();
        }
        long waited =
                days.stream().mapToLong(d -> d.known() - d.by(Why.CONTINUOUS)).sum();
        long byMotion = days.stream().mapToLong(d -> d.by(Why.MOTION)).sum();
        double events = days.stream().mapToInt(ActivityDay::events).sum() / (double) DAYS;
        long moved = days.stream().mapToLong(ActivityDay::moved).sum();
        // One movement that goes on for days begins but once.
        double triggers = moved > 0 ? Math.max(events, 1.0 / DAYS) : events;
        return Optional.of(new Triggering.Week(
                triggers, waited < all / 10 ? Optional.empty() : Optional.of((double) byMotion / waited)));
    }
}
