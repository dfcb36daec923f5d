package choir.server.clip;

import choir.area.CellMask;
import choir.fleet.Node;
import choir.motion.Sensitivity;
import choir.motion.Suggestion.Choices;
import choir.server.clip.TrialViews.TriedSetting;
import choir.server.standing.Standing;
import choir.server.standing.Standings;
import choir.trial.DeviceChoices;
import choir.trial.DeviceMotion;
import java.security.Principal;
import java.time.Clock;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;
import org.springframework.web.servlet.mvc.method.annotation.SseEmitter;

/** Tuning on what a camera sees now. */
@RestController
class LiveApi {
    /**
     * What can be tried at a camera.
     *
     * @param factor by which this kind of recorder sees more; its levels are counting divided by watched, times this
     * @param steps of luminance for which live levels are told
     * @param sensitivities that the device can hold
     * @param sensitivitySteps the step of luminance of each
     * @param thresholds that it can hold, in percent
     * @param held missing while it is not known
     */
    public record TuningView(
            String camera,
            double factor,
            List<Integer> steps,
            List<Double> sensitivities,
            List<Integer> sensitivitySteps,
            boolean adapts,
            List<Double> thresholds,
            TriedSetting policy,
            @Nullable TriedSetting held) {}

    private final LiveLevels live;
    private final Standings standings;
    private final Tried tried;
    private final Clock clock;

    LiveApi(LiveLevels live, Standings standings, Tried tried, Clock clock) {
        this.live = live;
        this.tried = tried;
        this.standings = standings;
        this.clock = clock;
    }

    @GetMapping("/api/v1/tuning")
    TuningView tuning(@RequestParam String camera) {
        var standing = standings.of(Node.Camera.named(camera));
        var policy = Tried.now(standing, clock.instant());
        var choices = choices(standing, policy);
        return new TuningView(
                standing.camera().text(),
                tried.factor(standing),
                LiveLevels.steps(),
                choices.sensitivities(),
                choices.sensitivities().stream().map(Sensitivity::step).toList(),
                choices.adapts(),
                choices.thresholds().stream()
                        .map(TrialViews::percent)
                        .distinct()
                        .toList(),
                TrialViews.setting("policy", policy),
                Tried.heldNow(standing, clock.instant())
                        .map(held -> TrialViews.setting("recorder", held))
                        .orElse(null));
    }

    /** What the device can hold, with as many cells as are watched. */
    static Choices choices(Standing standing, DeviceMotion motion) {
        long cells = DeviceChoices.grid(standing.family()).cells();
        return DeviceChoices.of(standing.family(), (int)
                Math.max(1, motion.watched().cardinality() * cells / (Passes.WIDTH * Passes.HEIGHT)));
    }

    /**
     * Pictures as they come, each an event {@code picture} with a {@link LiveLevels.LivePicture}; who is slow misses some.
     *
     * @param area of a device whose areas have values of their own; all that is watched when missing
     * @param ignore rows of {@code #} and {@code .}, with commas between: cells that are left out besides
     */
    @GetMapping("/api/v1/live-levels")
    SseEmitter levels(
            @RequestParam String camera,
            @RequestParam(required = false) @Nullable String area,
            @RequestParam(required = false) @Nullable String ignore,
            Principal who) {
        return live.watch(
                        Node.Camera.named(camera),
                        TrialViews.optional(area),
                        TrialViews.optional(ignore).map(rows -> CellMask.parse(List.of(rows.split(",")))),
                        who.getName())
                .emitter();
    }
}
