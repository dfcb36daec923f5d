package choir.server.clip;

import choir.motion.Agreement;
import choir.server.clip.Tried.As;
import choir.server.standing.Standing;
import choir.server.web.Problem;
import java.security.Principal;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import org.jspecify.annotations.Nullable;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;

/** By what factor recorders of a kind see more than the model, found on their clips and kept on purpose. */
@RestController
class FactorApi {
    /** @param select the cameras on whose clips it is found */
    record FactorRequest(@Nullable String select) {}

    /**
     * @param agreedBefore percent of the events of either that both had without it
     * @param agreedAfter with it
     * @param events of recorders from which it was found
     */
    public record FactorView(
            String family,
            String model,
            double factor,
            double agreedBefore,
            double agreedAfter,
            int events,
            String who,
            String at) {}

    /**
     * @param said for each kind of recorder what came of it
     * @param kept those that are now kept
     */
    public record FactorsFound(List<String> said, List<FactorView> kept) {}

    private record Kind(String family, String model) {
        static Kind of(Standing standing) {
            return new Kind(
                    standing.family().name(), standing.recorder().device().model());
        }

        @Override
        public String toString() {
            return model.isEmpty() ? family : family + " " + model;
        }
    }

    private final FactorStore store;
    private final Sources sources;
    private final Tried tried;
    private final ClipApi looks;

    FactorApi(FactorStore store, Sources sources, Tried tried, ClipApi looks) {
        this.store = store;
        this.sources = sources;
        this.tried = tried;
        this.looks = looks;
    }

    @GetMapping("/api/v1/level-factors")
    List<FactorView> all() {
        return store.all().stream().map(FactorApi::view).toList();
    }

    /** Looks for one on the clips of a selection, for each kind of recorder, and keeps what it finds. */
    @PostMapping("/api/v1/level-factors")
    FactorsFound find(@RequestBody FactorRequest given, Principal who) {
        Map<Kind, List<Agreement.Both>> seen = new LinkedHashMap<>();
        for (var clip : sources.clips(null, given.select())) {
            looks.looks(clip, who);
            var standing = tried.standing(clip);
            var of = seen.computeIfAbsent(Kind.of(standing), k -> new ArrayList<>());
            if (standing.held().isPresent()) {
                var motion = tried.motion(clip, As.HELD);
                sources.motion(clip)
                        .ifPresent(theirs -> of.add(new Agreement.Both(
                                motion.setting(), motion.lanes(tried.pass(clip), 1), theirs, clip.ends())));
            }
        }
        List<String> said = new ArrayList<>();
        seen.forEach((kind, both) -> Agreement.factor(both)
                .ifPresentOrElse(
                        found -> {
                            store.keep(kind.family(), kind.model(), found, who.getName());
                            said.add(kind + ": its levels are " + TrialViews.rounded(found.value())
                                    + " times those of the model; they agree in "
                                    + TrialViews.words(found.after()) + " instead of "
                                    + TrialViews.words(found.before()) + " (" + found.events() + " events)");
                        },
                        () -> said.add(kind + ": no factor is kept; it sees as the model does, or differs from it in"
                                + " another way, or too few of its events are on these clips (5 are needed)")));
        return new FactorsFound(said, all());
    }

    @DeleteMapping("/api/v1/level-factors")
    void remove(@RequestParam String family, @RequestParam(defaultValue = "") String model, Principal who) {
        if (!store.remove(family, model, who.getName())) {
            throw new Problem(Problem.Kind.NOT_FOUND, "no factor is kept for " + new Kind(family, model));
        }
    }

    private static FactorView view(FactorStore.LevelFactor f) {
        return new FactorView(
                f.family(),
                f.model(),
                TrialViews.rounded(f.factor()),
                TrialViews.percent(f.before()),
                TrialViews.percent(f.after()),
                f.events(),
                f.who(),
                f.at());
    }
}
