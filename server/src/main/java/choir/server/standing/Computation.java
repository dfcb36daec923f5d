package choir.server.standing;

import choir.area.CellMask;
import choir.drift.Deviation;
import choir.drift.Drift;
import choir.family.Family;
import choir.family.NativeConfig;
import choir.family.Translation;
import choir.family.Translator;
import choir.fleet.Node;
import choir.policy.Catalogue;
import choir.policy.EffectivePolicy;
import choir.policy.NodeWords;
import choir.server.family.KnownFamilies;
import choir.server.fleet.StoredCamera;
import choir.server.fleet.StoredRecorder;
import choir.server.reading.Content;
import choir.server.reading.Known;
import com.github.benmanes.caffeine.cache.Cache;
import com.github.benmanes.caffeine.cache.Caffeine;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/**
 * Works out where cameras stand. What is equal is worked out once, and stays worked out from one time to the next: a
 * (policy, family, mask) is translated once, and cameras that want and hold the same share one comparison.
 */
final class Computation {
    private static final int MOST_SHARED = 200_000;

    /** A translation depends on calendars only where the policy has special days. */
    private record Wanted(Identity policy, Identity family, Optional<CellMask> mask, Optional<Identity> calendars) {}

    private record Held(Identity translation, Optional<Content> observed, Optional<Content> baseline) {}

    private record Reach(Identity book, Node.Group group) {}

    private final KnownFamilies families;
    private final Cache<Wanted, Translation> translations =
            Caffeine.newBuilder().maximumSize(MOST_SHARED).build();
    private final Cache<Held, Comparison> comparisons =
            Caffeine.newBuilder().maximumSize(MOST_SHARED).build();
    private final Cache<Reach, Set<String>> templates =
            Caffeine.newBuilder().maximumSize(MOST_SHARED).build();

    Computation(KnownFamilies families) {
        this.families = families;
    }

    /** What the tables hold of one recorder and its cameras. */
    record Inputs(
            StoredRecorder recorder,
            List<StoredCamera> cameras,
            Map<Node.Camera, NodeWords> words,
            Map<Long, Known> known) {}

    Block block(Said said, Inputs in) {
        var trouble = unreadable(in);
        var cameras = cameras(said, in, trouble);
        if (trouble.isEmpty()) {
            trouble = notUnderstood(said, cameras);
            if (trouble.isPresent()) {
                cameras = cameras(said, in, trouble);
            }
        }
        return Block.of(in.recorder(), trouble, cameras);
    }

    private static Optional<String> notUnderstood(Said said, List<Standing> cameras) {
        return cameras.stream()
                .flatMap(s -> said.not().reaching(s.camera(), s.group(), s.own(), s.templates(), s.policy()).stream())
                .findFirst();
    }

    private List<Standing> cameras(Said said, Inputs in, Optional<String> trouble) {
        var recorder = trouble.map(why -> Block.inTrouble(in.recorder(), why)).orElse(in.recorder());
        var family = families.named(recorder.family()).orElseGet(() -> Family.unknown(recorder.family()));
        List<Standing> cameras = new ArrayList<>(in.cameras().size());
        for (var camera : in.cameras()) {
            cameras.add(standing(
                    said,
                    recorder,
                    family,
                    camera,
                    in.words().getOrDefault(camera.camera(), NodeWords.NONE),
                    in.known().getOrDefault(camera.id(), Known.NOTHING)));
        }
        return cameras;
    }

    /** The same recorder and cameras under what is said now. */
    Block again(Said said, Block block) {
        Map<Node.Camera, NodeWords> words = new HashMap<>();
        block.cameras().forEach(s -> words.put(s.camera(), s.own()));
        return supposing(said, words, block);
    }

    /** @param words what would be said at cameras, of any recorders */
    Block supposing(Said said, Map<Node.Camera, NodeWords> words, Block block) {
        Map<Long, Known> known = new HashMap<>();
        List<StoredCamera> rows = new ArrayList<>();
        for (var s : block.cameras()) {
            rows.add(s.row());
            known.put(s.row().id(), s.known());
        }
        return block(said, new Inputs(block.stored(), rows, words, known));
    }

    /** A recorder of which something stored cannot be understood, or of no known family, is trouble of its own. */
    private Optional<String> unreadable(Inputs in) {
        var recorder = in.recorder();
        if (in.known().values().stream().anyMatch(Known::unreadable)) {
            return Optional.of("something that is stored of " + recorder.name()
                    + " cannot be understood; read it again with: choir recorder read " + recorder.name());
        }
        var untagged = in.cameras().stream().filter(StoredCamera::unreadable).findFirst();
        if (untagged.isPresent()) {
            var camera = untagged.get().camera();
            return Optional.of("the tags that are stored of " + camera
                    + " cannot be understood; tag it again with: choir camera tag " + camera);
        }
        return families.named(recorder.family()).isPresent()
                ? Optional.empty()
                : Optional.of(recorder.name() + " is of the family \"" + recorder.family()
                        + "\", which is not known; add it with: choir family add FILE");
    }

    private Standing standing(
            Said said, StoredRecorder recorder, Family family, StoredCamera camera, NodeWords own, Known known) {
        var policy = said.book().of(camera.camera(), camera.group(), own);
        var translation = translation(said, policy, family, Standing.mask(known));
        return new Standing(
                camera,
                recorder,
                family,
                own,
                known,
                policy,
                translation,
                comparison(translation, family, Standing.held(recorder, camera, known), known),
                templates(said, camera, own));
    }

    private Translation translation(Said said, EffectivePolicy policy, Family family, Optional<CellMask> mask) {
        Optional<Identity> calendars = policy.get(Catalogue.SPECIAL_DAYS).isPresent()
                ? Optional.of(new Identity(said.calendars()))
                : Optional.empty();
        return translations.get(
                new Wanted(new Identity(policy), new Identity(family), mask, calendars),
                w -> Translator.translate(policy, family, mask, said.calendars()));
    }

    private Comparison comparison(Translation translation, Family family, Optional<Content> held, Known known) {
        return known.attempts().isEmpty()
                ? comparisons.get(
                        new Held(new Identity(translation), held, known.baseline()),
                        h -> Comparison.of(compared(translation, family, held, known)))
                : Comparison.of(compared(translation, family, held, known));
    }

    private static List<Deviation> compared(
            Translation translation, Family family, Optional<Content> held, Known known) {
        return Drift.compare(
                translation,
                family,
                held.map(Content::config),
                known.baseline().map(Content::config).orElse(NativeConfig.EMPTY),
                known.attempts());
    }

    private Set<String> templates(Said said, StoredCamera camera, NodeWords own) {
        return own.uses().isEmpty()
                ? templates.get(
                        new Reach(new Identity(said.book()), camera.group()),
                        r -> Set.copyOf(said.book().templatesReaching(camera.group(), List.of())))
                : Set.copyOf(said.book().templatesReaching(camera.group(), own.uses()));
    }
}
