package choir.server.clip;

import choir.fleet.Node;
import choir.motion.GroupSuggestion;
import choir.motion.Suggestion;
import choir.server.clip.TrialViews.Ignored;
import choir.server.clip.TrialViews.SuggestionView;
import choir.server.clip.Tried.As;
import choir.server.standing.Standing;
import choir.server.web.Problem;
import java.math.BigDecimal;
import java.security.Principal;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RestController;

/** What would be best, for a camera and for several at once. */
@RestController
class SuggestionApi {
    private static final int MOST_CAMERAS = 60;

    /** @param clips of one camera; missing for all that are kept of it */
    record SuggestionRequest(
            @Nullable String camera, @Nullable List<Long> clips) {}

    record GroupSuggestionRequest(@Nullable String select) {}

    /**
     * What settings come to at one camera of several.
     *
     * @param missed wanted moments, with the common setting
     * @param own its own best setting
     */
    public record MemberView(
            String camera,
            String label,
            int missed,
            int falseStarts,
            double recordedSeconds,
            CommonSetting own,
            int ownMissed,
            int ownFalseStarts,
            double ownRecordedSeconds) {}

    /**
     * @param sensitivity 0 to 100, or {@code auto}
     * @param threshold percent
     */
    public record CommonSetting(String sensitivity, double threshold) {}

    /**
     * @param setting missing when none can be said to all of them
     * @param served cameras for which it does what their own best would do
     * @param own those that need their own
     * @param left cameras with clips of which nothing can be said, with why
     */
    public record GroupSuggestionView(
            @Nullable CommonSetting setting,
            List<MemberView> served,
            List<MemberView> own,
            List<String> left,
            String said) {}

    private final ClipApi looks;
    private final Sources sources;
    private final Tried tried;

    SuggestionApi(ClipApi looks, Sources sources, Tried tried) {
        this.looks = looks;
        this.sources = sources;
        this.tried = tried;
    }

    @PostMapping("/api/v1/group-suggestions")
    GroupSuggestionView group(@RequestBody GroupSuggestionRequest given, Principal who) {
        Map<Long, List<Clip>> byCamera = sources.clips(null, given.select()).stream()
                .collect(Collectors.groupingBy(Clip::cameraId, LinkedHashMap::new, Collectors.toList()));
        if (byCamera.size() > MOST_CAMERAS) {
            throw new Problem(
                    Problem.Kind.INVALID,
                    "clips are kept of " + byCamera.size() + " cameras of that selection, and at most " + MOST_CAMERAS
                            + " are looked at together; select fewer");
        }
        List<GroupSuggestion.Table<Standing>> tables = new ArrayList<>();
        List<String> left = new ArrayList<>();
        for (var clips : byCamera.values()) {
            clips.forEach(c -> looks.looks(c, who));
            var camera = clips.getFirst().camera().text();
            try {
                var table = tried.table(clips);
                table.ifPresent(tables::add);
                if (table.isEmpty()) {
                    left.add(camera + ": no moment is marked as wanted, or each of its areas has values of its own");
                }
            } catch (Problem e) {
                left.add(camera + ": " + e.getMessage());
            }
        }
        var found = tables.isEmpty() ? Optional.<GroupSuggestion<Standing>>empty() : GroupSuggestion.of(tables);
        return new GroupSuggestionView(
                found.map(f -> common(f.setting())).orElse(null),
                found.map(f -> members(f.served())).orElse(List.of()),
                found.map(f -> members(f.own())).orElse(List.of()),
                left,
                found.map(SuggestionApi::said)
                        .orElse(
                                tables.isEmpty()
                                        ? "No camera of that selection has a moment that is marked as wanted."
                                        : "Some of these devices adapt by themselves and nothing else, so that no one"
                                                + " setting can be said to all of them; select others."));
    }

    private static String said(GroupSuggestion<Standing> found) {
        int all = found.served().size() + found.own().size();
        var setting = common(found.setting());
        var words = "sensitivity " + setting.sensitivity() + " and "
                + TrialViews.words(found.setting().threshold());
        if (found.served().isEmpty()) {
            return "No one setting does for any of these " + all + " what its own best would do.";
        }
        return "One setting, " + words + ", does for " + found.served().size() + " of " + all
                + (all == 1 ? " camera" : " cameras") + " what its own best would do"
                + switch (found.own().size()) {
                    case 0 -> ".";
                    case 1 -> "; one needs values of its own.";
                    default -> "; " + found.own().size() + " need values of their own.";
                };
    }

    private static List<MemberView> members(List<GroupSuggestion.Outcome<Standing>> outcomes) {
        return outcomes.stream()
                .map(o -> new MemberView(
                        o.who().camera().text(),
                        o.who().row().label(),
                        o.common().missed(),
                        o.common().falseStarts(),
                        TrialViews.seconds(o.common().recorded()),
                        common(o.own()),
                        o.best().missed(),
                        o.best().falseStarts(),
                        TrialViews.seconds(o.best().recorded())))
                .toList();
    }

    private static CommonSetting common(GroupSuggestion.Common setting) {
        return new CommonSetting(
                setting.sensitivity()
                        .map(SuggestionApi::number)
                        .map(BigDecimal::toPlainString)
                        .orElse("auto"),
                TrialViews.percent(setting.threshold()));
    }

    private static BigDecimal number(double value) {
        return new BigDecimal(Double.toString(value)).stripTrailingZeros();
    }

    @PostMapping("/api/v1/suggestions")
    SuggestionView suggest(@RequestBody SuggestionRequest given, Principal who) {
        var clips = sources.clips(
                given.clips(), given.camera() == null ? null : "camera:" + Node.Camera.named(given.camera()));
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
        var chosen = motion;
        for (var a : suggestion.areas()) {
            chosen = chosen.with(a.area(), a.sensitivity().map(SuggestionApi::number), a.threshold());
        }
        if (suggestion.areas().isEmpty()) {
            chosen = motion.with(
                    suggestion.sensitivity().map(SuggestionApi::number),
                    suggestion.best().setting().threshold());
        }
        var best = TrialViews.report(TrialViews.setting("best", chosen), suggestion.best());
        var area = suggestion
                .ignore()
                .map(i -> new Ignored(
                        i.cells().rows(),
                        TrialViews.report(
                                TrialViews.setting(
                                        "with the area",
                                        motion.with(
                                                i.sensitivity().map(SuggestionApi::number),
                                                i.report().setting().threshold())),
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
        return text.substring(0, 1).toUpperCase(Locale.ROOT) + text.substring(1);
    }

    private static String margin(double margin) {
        return Double.isInfinite(margin) || margin > 99 ? "over 99" : String.format(Locale.ROOT, "%.1f", margin);
    }
}
