package choir.server.standing;

import choir.area.CellMask;
import choir.drift.Deviation;
import choir.drift.Drift;
import choir.family.Family;
import choir.family.NativeConfig;
import choir.family.NativeValue;
import choir.family.Translation;
import choir.family.Translator;
import choir.fleet.Node;
import choir.fleet.Selection;
import choir.policy.Calendars;
import choir.policy.Catalogue;
import choir.policy.EffectivePolicy;
import choir.policy.PolicyBook;
import choir.server.db.Database;
import choir.server.family.KnownFamilies;
import choir.server.fleet.FleetStore;
import choir.server.fleet.StoredCamera;
import choir.server.fleet.StoredRecorder;
import choir.server.policy.CalendarStore;
import choir.server.policy.PolicyStore;
import choir.server.reading.ObservationStore;
import choir.server.web.Problem;
import java.time.Clock;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Component;

/**
 * Where every camera stands, worked out from the tables when they have changed since it was last asked for. What is
 * equal is computed once: a (policy, family, mask) is translated once, and cameras that want and hold the same share
 * one comparison.
 */
@Component
public class Standings {
    private record Wanted(Identity policy, String family, Optional<CellMask> mask) {}

    private record Held(Identity translation, Optional<NativeConfig> observed, NativeConfig baseline) {}

    /** Equal only to itself; policies of one group are one object, and hashing their content would cost more. */
    private record Identity(Object object) {
        @Override
        public boolean equals(@Nullable Object other) {
            return other instanceof Identity(var theirs) && theirs == object;
        }

        @Override
        public int hashCode() {
            return System.identityHashCode(object);
        }
    }

    private record Known(long revision, LocalDate day, Map<Node.Camera, Standing> byCamera) {}

    private final FleetStore fleet;
    private final PolicyStore policies;
    private final CalendarStore calendars;
    private final ObservationStore observations;
    private final KnownFamilies families;
    private final Database database;
    private final Clock clock;
    private @Nullable Known known;

    Standings(
            FleetStore fleet,
            PolicyStore policies,
            CalendarStore calendars,
            ObservationStore observations,
            KnownFamilies families,
            Database database,
            Clock clock) {
        this.fleet = fleet;
        this.policies = policies;
        this.calendars = calendars;
        this.observations = observations;
        this.families = families;
        this.database = database;
        this.clock = clock;
    }

    /** All cameras, sorted by recorder and channel. */
    public List<Standing> all() {
        return List.copyOf(current().values());
    }

    public List<Standing> select(Selection selection) {
        if (selection.alternatives().isEmpty()) {
            return all();
        }
        return current().values().stream()
                .filter(s -> selection.test(s.facts()))
                .toList();
    }

    public Standing of(Node.Camera camera) {
        var standing = current().get(camera);
        if (standing == null) {
            throw Problem.notFound(
                    "camera",
                    camera.text(),
                    current().keySet().stream().map(Node.Camera::text).toList());
        }
        return standing;
    }

    private synchronized Map<Node.Camera, Standing> current() {
        var today = LocalDate.now(clock);
        // Read first: a change that comes while we compute makes the result old, not wrong for ever.
        long revision = database.revision();
        var last = known;
        if (last == null || last.revision() != revision || !last.day().equals(today)) {
            last = new Known(revision, today, compute());
            known = last;
        }
        return last.byCamera();
    }

    private Map<Node.Camera, Standing> compute() {
        return new Computation(policies.book(), calendars.calendars())
                .run(fleet.recorders(), fleet.cameras(), Optional.empty());
    }

    /**
     * Where the cameras of one recorder stand this very moment. What it costs depends on the recorder and the policy and
     * not on the fleet, so it may be asked for in the middle of a rollout, while everything moves.
     */
    public Map<Node.Camera, Standing> ofRecorder(String recorder) {
        return new Computation(policies.book(), calendars.calendars())
                .run(List.of(fleet.recorder(recorder)), fleet.camerasOf(recorder), Optional.of(recorder));
    }

    private final class Computation {
        private final PolicyBook book;
        private final Calendars dates;
        private final Map<Wanted, Translation> translations = new HashMap<>();
        private final Map<Held, List<Deviation>> comparisons = new HashMap<>();
        private final Map<Node.Group, Set<String>> templates = new HashMap<>();

        Computation(PolicyBook book, Calendars dates) {
            this.book = book;
            this.dates = dates;
        }

        /** @param only the recorder that the cameras are of, when they are all of one */
        Map<Node.Camera, Standing> run(List<StoredRecorder> given, List<StoredCamera> cameras, Optional<String> only) {
            var observed = observations.observations(only);
            var baselines = observations.baselines(only);
            var attempts = observations.attempts(only);
            Map<String, StoredRecorder> recorders = new HashMap<>();
            given.forEach(r -> recorders.put(r.name(), r));
            Map<Node.Camera, Standing> all = new LinkedHashMap<>();
            for (var camera : cameras) {
                var recorder = recorders.get(camera.camera().recorder().text());
                var policy = book.of(camera.camera(), camera.group());
                var family = families.named(recorder.family()).orElseThrow();
                var observation = Optional.ofNullable(observed.get(camera.id()));
                var baseline = baselines.getOrDefault(camera.id(), NativeConfig.EMPTY);
                var translation = translation(policy, family, mask(baseline, observation));
                var held = recorder.trouble().isEmpty()
                        ? observation.map(ObservationStore.Observation::config)
                        : Optional.<NativeConfig>empty();
                var tried = attempts.getOrDefault(camera.id(), Map.of());
                var deviations = tried.isEmpty()
                        ? comparisons.computeIfAbsent(
                                new Held(new Identity(translation), held, baseline),
                                h -> Drift.compare(translation, family, held, baseline, tried))
                        : Drift.compare(translation, family, held, baseline, tried);
                all.put(
                        camera.camera(),
                        new Standing(
                                camera,
                                recorder,
                                family,
                                policy,
                                translation,
                                observation,
                                baseline,
                                deviations,
                                templates(camera)));
            }
            return java.util.Collections.unmodifiableMap(all);
        }

        private Translation translation(EffectivePolicy policy, Family family, Optional<CellMask> mask) {
            return translations.computeIfAbsent(
                    new Wanted(new Identity(policy), family.name(), mask),
                    w -> Translator.translate(policy, family, mask, dates));
        }

        private Set<String> templates(StoredCamera camera) {
            var group = book.statesNothingAt(camera.camera())
                    ? templates.computeIfAbsent(
                            camera.group(), g -> Set.copyOf(book.templatesReaching(camera.camera(), g)))
                    : book.templatesReaching(camera.camera(), camera.group());
            return group;
        }
    }

    /** The cells of the last verified write, else those observed. */
    static Optional<CellMask> mask(NativeConfig baseline, Optional<ObservationStore.Observation> observation) {
        return baseline.get(Catalogue.AREAS)
                .or(() -> observation.flatMap(o -> o.config().get(Catalogue.AREAS)))
                .filter(NativeValue.Mask.class::isInstance)
                .map(v -> ((NativeValue.Mask) v).mask());
    }

    /** A selection's cameras, and never none: an empty result names the selection. */
    public List<Standing> someOf(String selection) {
        var found = select(Selection.parse(selection));
        if (found.isEmpty()) {
            throw new Problem(
                    Problem.Kind.NOT_FOUND,
                    selection.isBlank()
                            ? "there is no camera yet; add a recorder with: choir recorder add"
                            : "no camera is selected by \"" + selection + "\"");
        }
        return new ArrayList<>(found);
    }
}
