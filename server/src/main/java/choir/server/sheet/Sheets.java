package choir.server.sheet;

import choir.family.Ability;
import choir.family.Family;
import choir.family.NativeConfig;
import choir.family.NativeText;
import choir.family.NativeValue;
import choir.family.Place;
import choir.family.Translation.Wish;
import choir.policy.SettingKey;
import choir.server.audit.FindingStore;
import choir.server.db.Database;
import choir.server.family.KnownFamilies;
import choir.server.fleet.FleetStore;
import choir.server.journal.Journal;
import choir.server.reading.ObservationStore;
import choir.server.standing.Standing;
import choir.server.standing.Standings;
import choir.server.web.Problem;
import java.nio.charset.StandardCharsets;
import java.time.Clock;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import org.springframework.stereotype.Component;

/** Work sheets: made from the same comparison as a rollout, and what is ticked counts as observed by hand. */
@Component
class Sheets {
    private record Todo(Standing standing, SettingKey key, Wish.Wanted wish) {
        NativeValue value() {
            return wish.value();
        }

        Optional<NativeValue> held() {
            return standing.held().flatMap(h -> h.get(key));
        }

        private Optional<Place.Sheet> place() {
            return standing.family()
                    .ability(key)
                    .map(Ability::place)
                    .filter(Place.Sheet.class::isInstance)
                    .map(Place.Sheet.class::cast);
        }

        String menu() {
            return place().map(Place.Sheet::menu).orElse("");
        }

        String entry() {
            return place().map(Place.Sheet::entry).orElse("");
        }
    }

    private final Standings standings;
    private final FleetStore fleet;
    private final KnownFamilies families;
    private final ObservationStore observations;
    private final FindingStore findings;
    private final Journal journal;
    private final Database database;
    private final Clock clock;

    Sheets(
            Standings standings,
            FleetStore fleet,
            KnownFamilies families,
            ObservationStore observations,
            FindingStore findings,
            Journal journal,
            Database database,
            Clock clock) {
        this.standings = standings;
        this.fleet = fleet;
        this.families = families;
        this.observations = observations;
        this.findings = findings;
        this.journal = journal;
        this.database = database;
        this.clock = clock;
    }

    Sheet of(String recorder) {
        var family = onSite(recorder);
        var todo = todo(recorder);
        List<Sheet.Step> steps = new ArrayList<>();
        for (var t : todo) {
            var camera = t.standing().row();
            steps.add(new Sheet.Step(
                    steps.size() + 1,
                    camera.camera().text(),
                    camera.label(),
                    t.menu(),
                    t.entry(),
                    t.key().text(),
                    t.held().map(Sheets::written).orElse(null),
                    written(t.value()),
                    t.wish().approximated().orElse(null)));
        }
        Set<String> cannot = new LinkedHashSet<>();
        standingsOf(recorder)
                .forEach(s -> s.translation().wishes().forEach((key, wish) -> {
                    if (wish instanceof Wish.Cannot(var asked, var why)) {
                        cannot.add(key + " (" + asked + "): " + why);
                    }
                }));
        return new Sheet(
                recorder, family.title(), version(steps), standingsOf(recorder).size(), steps, List.copyOf(cannot));
    }

    /** A mask as the rows that a person paints. */
    private static String written(NativeValue value) {
        return value instanceof NativeValue.Mask(var mask) ? String.join("\n", mask.rows()) : NativeText.inFull(value);
    }

    private static String version(List<Sheet.Step> steps) {
        return UUID.nameUUIDFromBytes(steps.toString().getBytes(StandardCharsets.UTF_8))
                .toString()
                .substring(0, 8);
    }

    private Family onSite(String recorder) {
        var family = families.require(fleet.recorder(recorder).family());
        if (!family.onSite()) {
            throw new Problem(
                    Problem.Kind.CONFLICT,
                    recorder + " has a network interface; what it ought to hold is given out by: choir rollout start"
                            + " recorder:" + recorder);
        }
        return family;
    }

    private List<Standing> standingsOf(String recorder) {
        return List.copyOf(standings.ofRecorder(recorder).values());
    }

    /** What differs or is not known, camera by camera, menu by menu. */
    private List<Todo> todo(String recorder) {
        List<Todo> todo = new ArrayList<>();
        for (var standing : standingsOf(recorder)) {
            List<Todo> ofCamera = new ArrayList<>();
            standing.translation().wishes().forEach((key, wish) -> {
                if (wish instanceof Wish.Wanted wanted) {
                    ofCamera.add(new Todo(standing, key, wanted));
                }
            });
            ofCamera.stream()
                    .filter(t -> !t.held().equals(Optional.of(t.value())))
                    .sorted(Comparator.comparing(Todo::menu).thenComparing(Todo::entry))
                    .forEach(todo::add);
        }
        return todo;
    }

    /** @param numbers of the steps that were done; empty for all */
    int tick(String recorder, String version, List<Integer> numbers, String who) {
        return database.write(() -> {
            var sheet = of(recorder);
            if (!sheet.version().equals(version)) {
                throw new Problem(
                        Problem.Kind.STALE,
                        "the sheet of " + recorder
                                + " has changed since it was made; look at it again before you tick it");
            }
            var done = done(recorder, numbers);
            done.forEach((standing, values) -> take(standing, values, who));
            fleet.seenByHand(recorder, clock.instant());
            return done.values().stream().mapToInt(Map::size).sum();
        });
    }

    private Map<Standing, Map<SettingKey, NativeValue>> done(String recorder, List<Integer> numbers) {
        var todo = todo(recorder);
        for (int number : numbers) {
            if (number < 1 || number > todo.size()) {
                throw new Problem(
                        Problem.Kind.INVALID,
                        "the sheet of " + recorder + " has no step " + number + "; it has " + todo.size());
            }
        }
        Map<Standing, Map<SettingKey, NativeValue>> done = new LinkedHashMap<>();
        for (int i = 0; i < todo.size(); i++) {
            if (numbers.isEmpty() || numbers.contains(i + 1)) {
                var t = todo.get(i);
                done.computeIfAbsent(t.standing(), s -> new LinkedHashMap<>()).put(t.key(), t.value());
            }
        }
        return done;
    }

    private void take(Standing standing, Map<SettingKey, NativeValue> values, String who) {
        long camera = standing.row().id();
        var known = standing.observation().map(o -> o.content().config()).orElse(NativeConfig.EMPTY);
        observations.observedByHand(camera, known.with(values), clock.instant(), who);
        observations.verified(camera, values);
        findings.givenOut(camera, values.keySet());
        values.forEach((key, value) ->
                journal.add(who, "set by hand", standing.camera().text(), key + " is now " + NativeText.of(value)));
    }
}
