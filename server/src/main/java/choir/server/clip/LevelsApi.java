package choir.server.clip;

import choir.link.FootageLink.History;
import choir.link.FootageLink.Stretch;
import choir.motion.Sensitivity;
import choir.motion.Step;
import choir.server.clip.TrialViews.TriedSetting;
import choir.server.clip.Tried.As;
import choir.server.web.Problem;
import java.security.Principal;
import java.time.Instant;
import java.util.Base64;
import java.util.List;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;

/** How much moves in each picture of a clip, so that a setting can be moved with the picture in view. */
@RestController
class LevelsApi {
    private static final int COLUMNS = 32;
    private static final int ROWS = 18;

    /**
     * @param area of a device whose areas have values of their own; all that is watched when missing
     * @param ignore rows of {@code #} and {@code .}: cells that are left out besides
     */
    record LevelsRequest(@Nullable String area, @Nullable List<String> ignore) {}

    /**
     * The level of every picture at every step of luminance.
     *
     * @param area that was asked for; missing where it is all that is watched
     * @param factor by which this kind of recorder sees more; its levels are counting divided by watched, times this
     * @param pictures when each was seen, in milliseconds from the clip's beginning
     * @param watched pixels
     * @param steps of luminance, 2 to 64
     * @param counting for each step the pixels that count in each picture
     * @param adapted levels at the step that follows the noise, 0 to 1
     * @param sensitivities that the device can hold
     * @param sensitivitySteps the step of luminance of each
     * @param thresholds that it can hold, in percent
     * @param motion when the recorder's own detection saw something; missing where it does not tell
     * @param recorded when it recorded, also where these pictures came live; missing where it does not tell
     */
    public record LevelsView(
            @Nullable String area,
            double factor,
            List<Long> pictures,
            int watched,
            List<Integer> steps,
            List<int[]> counting,
            List<Double> adapted,
            List<Double> sensitivities,
            List<Integer> sensitivitySteps,
            boolean adapts,
            List<Double> thresholds,
            @Nullable TriedSetting policy,
            @Nullable TriedSetting held,
            @Nullable List<MotionSpan> motion,
            @Nullable List<MotionSpan> recorded) {}

    /** In milliseconds from the clip's beginning. */
    public record MotionSpan(long from, long until) {}

    /** @param shares of each cell that change, a byte each, from the top left */
    public record CellsView(int columns, int rows, String shares) {}

    private final ClipApi looks;
    private final SeenClips seen;
    private final Sources sources;
    private final Tried tried;

    LevelsApi(ClipApi looks, SeenClips seen, Sources sources, Tried tried) {
        this.looks = looks;
        this.seen = seen;
        this.sources = sources;
        this.tried = tried;
    }

    @PostMapping("/api/v1/clips/{id}/levels")
    LevelsView levels(@PathVariable long id, @RequestBody LevelsRequest given, Principal who) {
        var clip = seen.get(id);
        looks.looks(clip, who);
        var standing = tried.standing(clip);
        var policy = tried.motion(clip, As.POLICY);
        var shown = tried.motion(
                clip,
                new Tried.Asked(
                        As.POLICY,
                        Optional.empty(),
                        Optional.empty(),
                        List.of(),
                        TrialApi.mask(given.ignore()),
                        Passes.USUAL));
        var area = TrialViews.optional(given.area());
        var watched = area.map(a -> shown.area(a).watched()).orElseGet(shown::watched);
        double factor = tried.factor(standing);
        var pass = tried.pass(clip);
        var curves = pass.curves(watched);
        var steps = LiveLevels.steps();
        List<int[]> counting = steps.stream()
                .map(step -> curves.differences().stream()
                        .mapToInt(d -> d.counting(step))
                        .toArray())
                .toList();
        var choices = LiveApi.choices(standing, policy);
        var history = sources.history(clip);
        return new LevelsView(
                area.orElse(null),
                factor,
                pass.instants().stream()
                        .map(i -> i.toEpochMilli() - clip.begins().toEpochMilli())
                        .toList(),
                watched.cardinality(),
                steps,
                counting,
                choices.adapts()
                        ? pass.levels(new Step.Adapted(), watched).stream()
                                .map(l -> Math.min(1, l.value() * factor))
                                .toList()
                        : List.of(),
                choices.sensitivities(),
                choices.sensitivities().stream().map(Sensitivity::step).toList(),
                choices.adapts(),
                choices.thresholds().stream()
                        .map(TrialViews::percent)
                        .distinct()
                        .toList(),
                TrialViews.setting("policy", policy),
                standing.held().isPresent() ? TrialViews.setting("recorder", tried.motion(clip, As.HELD)) : null,
                spans(clip, history.flatMap(History::motion)),
                spans(clip, history.flatMap(History::recorded)));
    }

    private static @Nullable List<MotionSpan> spans(Clip clip, Optional<List<Stretch>> stretches) {
        return stretches
                .map(all -> all.stream()
                        .map(s -> new MotionSpan(since(clip, s.from()), since(clip, s.until())))
                        .toList())
                .orElse(null);
    }

    private static long since(Clip clip, Instant at) {
        return at.toEpochMilli() - clip.begins().toEpochMilli();
    }

    /** @param picture its number in the order of the levels */
    @GetMapping("/api/v1/clips/{id}/cells")
    CellsView cells(@PathVariable long id, @RequestParam int picture, @RequestParam int step) {
        var pass = tried.pass(seen.get(id));
        if (picture < 0 || picture >= pass.instants().size() || step < 1 || step > 255) {
            throw new Problem(Problem.Kind.INVALID, "clip " + id + " has no picture " + picture + " at step " + step);
        }
        return new CellsView(
                COLUMNS, ROWS, Base64.getEncoder().encodeToString(pass.cells(picture, step, COLUMNS, ROWS)));
    }
}
