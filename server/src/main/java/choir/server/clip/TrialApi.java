package choir.server.clip;

import choir.area.CellMask;
import choir.link.LinkException;
import choir.motion.Agreement;
import choir.motion.Sensitivity;
import choir.motion.Step;
import choir.motion.Suggestion;
import choir.refusal.Refusal;
import choir.server.clip.TrialViews.AgreementView;
import choir.server.clip.TrialViews.Ignored;
import choir.server.clip.TrialViews.SuggestionView;
import choir.server.clip.TrialViews.TrialReport;
import choir.server.clip.TrialViews.TriedSetting;
import choir.server.clip.Tried.As;
import choir.server.reading.FootageDoor;
import choir.server.standing.Standing;
import choir.server.standing.Standings;
import choir.server.web.Problem;
import choir.trial.DeviceMotion;
import java.math.BigDecimal;
import java.security.Principal;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Base64;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;

/** Settings tried on clips: levels, reports, what would be best. */
@RestController
class TrialApi {
    private static final int MOST_CLIPS = 200;
    private static final int MOST_SETTINGS = 8;
    private static final int COLUMNS = 32;
    private static final int ROWS = 18;

    /**
     * @param as {@code policy} (when missing) or {@code held}, from which the rest starts
     * @param sensitivity 0 to 100 or {@code auto}
     * @param threshold such as {@code 0.6%}
     * @param ignore rows of {@code #} and {@code .}: cells that are left out besides
     */
    record SettingRequest(
            @Nullable String name,
            @Nullable String as,
            @Nullable String sensitivity,
            @Nullable String threshold,
            @Nullable List<String> ignore) {}

    /**
     * @param clips their numbers; missing for all that are kept of the selection
     * @param settings missing for what the policy asks and what the recorder holds
     */
    record TrialRequest(
            @Nullable String select,
            @Nullable List<Long> clips,
            @Nullable List<SettingRequest> settings) {}

    /** @param clips of one camera; missing for all that are kept of it */
    record SuggestionRequest(
            @Nullable String camera, @Nullable List<Long> clips) {}

    record LevelsRequest(@Nullable List<String> ignore) {}

    /**
     * @param agreement with the recorder's own events; missing where it does not tell any
     * @param unheld why what the recorder holds is not tried; missing when it is
     */
    public record TrialOfClip(
            long clip,
            String camera,
            String label,
            String from,
            String until,
            List<TrialReport> reports,
            @Nullable AgreementView agreement,
            @Nullable String unheld) {}

    public record TrialView(List<TrialOfClip> clips, int missed, int falseStarts) {}

    /**
     * The level of every picture at every step of luminance.
     *
     * @param pictures when each was seen, in milliseconds from the clip's beginning
     * @param watched pixels
     * @param steps of luminance, 2 to 64
     * @param counting for each step the pixels that count in each picture
     * @param adapted levels at the step that follows the noise, 0 to 1
     * @param sensitivities that the device can hold
     * @param sensitivitySteps the step of luminance of each
     * @param thresholds that it can hold, in percent
     * @param motion when the recorder's own detection saw something; missing where it does not tell
     */
    public record LevelsView(
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
            @Nullable List<MotionSpan> motion) {}

    /** In milliseconds from the clip's beginning. */
    public record MotionSpan(long from, long until) {}

    /** @param shares of each cell that change, a byte each, from the top left */
    public record CellsView(int columns, int rows, String shares) {}

    private final ClipApi looks;
    private final ClipStore store;
    private final Standings standings;
    private final Tried tried;
    private final FootageDoor door;

    TrialApi(ClipApi looks, ClipStore store, Standings standings, Tried tried, FootageDoor door) {
        this.looks = looks;
        this.store = store;
        this.standings = standings;
        this.tried = tried;
        this.door = door;
    }

    @PostMapping("/api/v1/trials")
    TrialView trial(@RequestBody TrialRequest given, Principal who) {
        var clips = clips(given.clips(), given.select());
        var settings = given.settings() == null ? List.<SettingRequest>of() : given.settings();
        if (settings.size() > MOST_SETTINGS) {
            throw new Problem(Problem.Kind.INVALID, "at most " + MOST_SETTINGS + " settings are tried at once");
        }
        List<TrialOfClip> all = new ArrayList<>();
        for (var clip : clips) {
            looks.looks(clip, who);
            all.add(trial(clip, settings));
        }
        return new TrialView(
                all,
                all.stream().mapToInt(c -> c.reports().getFirst().missed()).sum(),
                all.stream().mapToInt(c -> c.reports().getFirst().falseStarts()).sum());
    }

    private TrialOfClip trial(Clip clip, List<SettingRequest> settings) {
        var pass = tried.pass(clip);
        var marks = tried.marks(clip);
        var held = tried.standing(clip).held();
        Map<String, DeviceMotion> motions = new java.util.LinkedHashMap<>();
        Optional<String> unheld = Optional.empty();
        if (settings.isEmpty()) {
            motions.put("policy", tried.motion(clip, As.POLICY));
            if (held.isPresent()) {
                motions.put("recorder", tried.motion(clip, As.HELD));
            } else {
                unheld = Optional.of(tried.standing(clip).trouble().orElse("it was not read yet"));
            }
        }
        for (int i = 0; i < settings.size(); i++) {
            var s = settings.get(i);
            var name = TrialViews.optional(s.name()).orElse("tried " + (i + 1));
            motions.put(
                    motions.containsKey(name) ? name + " " + (i + 1) : name,
                    Tried.with(
                            tried.motion(clip, as(s.as())),
                            TrialViews.optional(s.sensitivity()),
                            TrialViews.optional(s.threshold()),
                            mask(s.ignore())));
        }
        List<TrialReport> reports = new ArrayList<>();
        motions.forEach((name, motion) ->
                reports.add(TrialViews.report(TrialViews.setting(name, motion), Tried.report(pass, marks, motion))));
        return new TrialOfClip(
                clip.id(),
                clip.camera().text(),
                clip.label(),
                clip.begins().toString(),
                clip.ends().toString(),
                reports,
                agreement(clip).map(TrialViews::agreement).orElse(null),
                unheld.orElse(null));
    }

    /** The recorder judged with what it holds; a file that somebody brought was never seen by it. */
    private Optional<Agreement> agreement(Clip clip) {
        if (tried.standing(clip).held().isEmpty()) {
            return Optional.empty();
        }
        return motionOf(clip)
                .map(theirs -> Agreement.of(
                        tried.report(clip, tried.motion(clip, As.HELD)).events(), theirs, clip.ends()));
    }

    private Optional<List<Agreement.Span>> motionOf(Clip clip) {
        if (clip.origin() == Clip.Origin.FILE) {
            return Optional.empty();
        }
        try {
            return door.history(clip.camera(), clip.begins(), clip.ends())
                    .flatMap(h -> h.motion())
                    .map(all -> all.stream()
                            .map(s -> new Agreement.Span(s.from(), s.until()))
                            .toList());
        } catch (LinkException | Problem e) {
            return Optional.empty();
        }
    }

    private static As as(@Nullable String word) {
        return switch (word == null ? "policy" : word) {
            case "policy" -> As.POLICY;
            case "held" -> As.HELD;
            default -> throw new Refusal("\"" + word + "\" is nothing to start from; expected policy or held");
        };
    }

    private static Optional<CellMask> mask(@Nullable List<String> rows) {
        return rows == null || rows.isEmpty() ? Optional.empty() : Optional.of(CellMask.parse(rows));
    }

    private List<Clip> clips(@Nullable List<Long> numbers, @Nullable String select) {
        List<Clip> clips = new ArrayList<>();
        if (numbers != null && !numbers.isEmpty()) {
            numbers.stream().distinct().limit(MOST_CLIPS + 1L).forEach(n -> clips.add(store.get(n)));
        } else {
            var with = new java.util.HashSet<>(store.camerasWithClips());
            for (Standing standing : standings.someOf(select == null ? "" : select)) {
                if (with.contains(standing.row().id()) && clips.size() <= MOST_CLIPS) {
                    clips.addAll(store.keptOf(standing.row().id()));
                }
            }
        }
        if (clips.isEmpty()) {
            throw new Problem(
                    Problem.Kind.NOT_FOUND,
                    "no clip is kept of that selection; take one with: choir clip take CAMERA --from TIME");
        }
        if (clips.size() > MOST_CLIPS) {
            throw new Problem(Problem.Kind.INVALID, "more than " + MOST_CLIPS + " clips; select fewer cameras");
        }
        return clips;
    }

    @PostMapping("/api/v1/clips/{id}/levels")
    LevelsView levels(@PathVariable long id, @RequestBody LevelsRequest given, Principal who) {
        var clip = store.get(id);
        looks.looks(clip, who);
        var standing = tried.standing(clip);
        var policy = tried.motion(clip, As.POLICY);
        var shown = Tried.with(policy, Optional.empty(), Optional.empty(), mask(given.ignore()));
        var pass = tried.pass(clip);
        var curves = pass.curves(shown.watched());
        var steps = LiveLevels.steps();
        List<int[]> counting = steps.stream()
                .map(step -> curves.differences().stream()
                        .mapToInt(d -> d.counting(step))
                        .toArray())
                .toList();
        var choices = LiveApi.choices(standing, policy);
        return new LevelsView(
                pass.instants().stream()
                        .map(i -> i.toEpochMilli() - clip.begins().toEpochMilli())
                        .toList(),
                shown.watched().cardinality(),
                steps,
                counting,
                choices.adapts()
                        ? pass.levels(new Step.Adapted(), shown.watched()).stream()
                                .map(l -> l.value())
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
                motionOf(clip)
                        .map(all -> all.stream()
                                .map(s -> new MotionSpan(since(clip, s.from()), since(clip, s.until())))
                                .toList())
                        .orElse(null));
    }

    private static long since(Clip clip, Instant at) {
        return at.toEpochMilli() - clip.begins().toEpochMilli();
    }

    /** @param picture its number in the order of the levels */
    @GetMapping("/api/v1/clips/{id}/cells")
    CellsView cells(@PathVariable long id, @RequestParam int picture, @RequestParam int step) {
        var pass = tried.pass(store.get(id));
        if (picture < 0 || picture >= pass.instants().size() || step < 1 || step > 255) {
            throw new Problem(Problem.Kind.INVALID, "clip " + id + " has no picture " + picture + " at step " + step);
        }
        return new CellsView(
                COLUMNS, ROWS, Base64.getEncoder().encodeToString(pass.cells(picture, step, COLUMNS, ROWS)));
    }

    @PostMapping("/api/v1/suggestions")
    SuggestionView suggest(@RequestBody SuggestionRequest given, Principal who) {
        var clips = clips(given.clips(), given.camera() == null ? null : "camera:" + ClipApi.camera(given.camera()));
        if (clips.stream().map(Clip::cameraId).distinct().count() > 1) {
            throw new Problem(Problem.Kind.INVALID, "a suggestion is for one camera; these clips are of several");
        }
        clips.forEach(c -> looks.looks(c, who));
        var first = clips.getFirst();
        var motion = tried.motion(first, As.POLICY);
        var ids = clips.stream().map(Clip::id).toList();
        var found = tried.suggestion(clips);
        if (found.best().isEmpty()) {
            return new SuggestionView(
                    first.camera().text(),
                    ids,
                    null,
                    null,
                    null,
                    null,
                    "No moment is marked as wanted, so any setting is as good as any other; mark what must trigger.");
        }
        var suggestion = found.best().get();
        var best = TrialViews.report(
                setting("best", motion, suggestion.best().setting().threshold(), suggestion.sensitivity()),
                suggestion.best());
        var area = suggestion
                .ignore()
                .map(i -> new Ignored(
                        i.cells().rows(),
                        TrialViews.report(
                                setting(
                                        "with the area",
                                        motion,
                                        i.report().setting().threshold(),
                                        i.sensitivity()),
                                i.report())));
        return new SuggestionView(
                first.camera().text(),
                ids,
                TrialViews.report(TrialViews.setting("policy", motion), found.now()),
                best,
                suggestion.against().map(TrialViews::against).orElse(null),
                area.orElse(null),
                said(suggestion));
    }

    private static TriedSetting setting(
            String name, DeviceMotion motion, double threshold, Optional<Double> sensitivity) {
        return TrialViews.setting(
                name,
                motion.with(sensitivity.map(s -> new BigDecimal(Double.toString(s)).stripTrailingZeros()), threshold));
    }

    private static String said(Suggestion s) {
        var text = new StringBuilder();
        if (s.best().missed().isEmpty() && s.best().falseStarts() == 0) {
            text.append("All that is wanted is caught, and nothing that is unwanted begins anything.");
        } else if (s.best().missed().isEmpty()) {
            text.append("All that is wanted is caught; what is unwanted still begins motion ")
                    .append(s.best().falseStarts() == 1 ? "once." : s.best().falseStarts() + " times.");
        } else {
            text.append("No setting of this device catches all that is wanted; ")
                    .append(s.best().missed().size())
                    .append(" would be missed.");
        }
        if (s.best().wanted().size() == 1) {
            text.append(" It rests on one wanted moment alone; mark the farthest and the darkest too.");
        }
        s.against()
                .ifPresent(a ->
                        text.append(" ").append(capital(TrialViews.against(a))).append("."));
        s.ignore()
                .ifPresent(i -> text.append(" With the proposed area left out the margin is ")
                        .append(margin(i.report().margin().orElse(0)))
                        .append(" instead of ")
                        .append(margin(s.best().margin().orElse(0)))
                        .append("."));
        return text.toString();
    }

    private static String capital(String text) {
        return text.substring(0, 1).toUpperCase(java.util.Locale.ROOT) + text.substring(1);
    }

    private static String margin(double margin) {
        return Double.isInfinite(margin) || margin > 99
                ? "over 99"
                : String.format(java.util.Locale.ROOT, "%.1f", margin);
    }
}
