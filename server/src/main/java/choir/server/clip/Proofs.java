package choir.server.clip;

import choir.family.NativeConfig;
import choir.motion.Mark;
import choir.motion.Trial.Seen;
import choir.server.standing.Standing;
import choir.server.web.Problem;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import org.springframework.stereotype.Component;

/** Changes of motion settings, tried on the moments that were marked as wanted before. */
@Component
public class Proofs {
    private static final String MOTION = "motion.";
    /** Clips that are tried for one preview; what is left out is said. */
    private static final int MOST = 60;

    /**
     * A wanted moment that a change would lose, or that is lost already and stays so.
     *
     * @param name by which it is confirmed when it is to be lost all the same, such as {@code haldr-1/07 walker at 70 m}
     * @param level the strongest that would last there, percent of what is watched
     * @param threshold percent
     * @param caughtNow whether what holds until then catches it
     */
    public record LostMoment(
            String name,
            String camera,
            long clip,
            String word,
            String at,
            double level,
            double threshold,
            boolean caughtNow) {}

    /**
     * @param lost weakest first
     * @param wanted how many moments were tried
     * @param untried cameras with marked clips that were not tried, with why
     */
    public record Proof(List<LostMoment> lost, int wanted, List<String> untried) {}

    /**
     * One camera's change.
     *
     * @param before what holds until then; missing where that is not known, so that it may have caught everything
     */
    public record Planned(Standing standing, Optional<NativeConfig> before, NativeConfig after) {}

    private final ClipStore store;
    private final Tried tried;

    Proofs(ClipStore store, Tried tried) {
        this.store = store;
        this.tried = tried;
    }

    private static String name(Clip clip, Mark mark) {
        return clip.camera().text() + " " + (mark.word().isEmpty() ? mark.from().toString() : mark.word());
    }

    /** Whether a setting decides about motion. */
    public static boolean isOfMotion(String key) {
        return key.startsWith(MOTION);
    }

    public Proof of(List<Planned> changes) {
        List<LostMoment> lost = new ArrayList<>();
        List<String> untried = new ArrayList<>();
        int wanted = 0;
        int clipsTried = 0;
        Set<Long> with = changes.isEmpty() ? Set.of() : new HashSet<>(store.camerasWithClips());
        for (var change : changes) {
            if (!with.contains(change.standing().row().id())) {
                continue;
            }
            for (var clip : store.keptOf(change.standing().row().id())) {
                var marks = tried.marks(clip).stream()
                        .filter(m -> m.kind() == Mark.Kind.WANTED)
                        .toList();
                if (marks.isEmpty()) {
                    continue;
                }
                if (++clipsTried > MOST) {
                    untried.add(
                            clip.camera() + ": more than " + MOST + " clips; preview fewer cameras to have it tried");
                    break;
                }
                try {
                    lost.addAll(lost(change, clip, marks));
                    wanted += marks.size();
                } catch (Problem e) {
                    untried.add(String.valueOf(e.getMessage()));
                }
            }
        }
        lost.sort(java.util.Comparator.comparing(LostMoment::caughtNow)
                .reversed()
                .thenComparingDouble(LostMoment::level));
        return new Proof(lost, wanted, untried);
    }

    private List<LostMoment> lost(Planned change, Clip clip, List<Mark> marks) {
        var pass = tried.pass(clip);
        var after = Tried.motion(change.standing(), clip, change.after());
        var missed = tried.report(change.standing(), pass, after, marks).missed();
        if (missed.isEmpty()) {
            return List.of();
        }
        Set<Mark> missedNow = new HashSet<>();
        change.before()
                .map(before -> Tried.motion(change.standing(), clip, before))
                .ifPresent(before -> tried.report(change.standing(), pass, before, marks).missed().stream()
                        .map(Seen::mark)
                        .forEach(missedNow::add));
        return missed.stream()
                .map(m -> new LostMoment(
                        name(clip, m.mark()),
                        clip.camera().text(),
                        clip.id(),
                        m.mark().word(),
                        m.mark().from().toString(),
                        TrialViews.percent(m.strongest()),
                        TrialViews.percent(m.threshold()),
                        !missedNow.contains(m.mark())))
                .toList();
    }
}
