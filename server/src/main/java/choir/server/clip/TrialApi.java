package choir.server.clip;

import choir.area.CellMask;
import choir.footage.Look;
import choir.motion.Agreement;
import choir.motion.Mark;
import choir.refusal.Refusal;
import choir.server.clip.TrialViews.AgreementView;
import choir.server.clip.TrialViews.TrialReport;
import choir.server.clip.Tried.As;
import choir.server.web.Problem;
import java.security.Principal;
import java.time.ZoneOffset;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RestController;

/** Settings tried on clips. */
@RestController
class TrialApi {
    private static final int MOST_SETTINGS = 8;
    private static final double FEWEST = 0.2;
    private static final double MOST_PICTURES = 10;
    private static final List<String> SIZES = List.of("160x90", "320x180", "480x270", "640x360");

    /**
     * @param as {@code policy} (when missing) or {@code held}, from which the rest starts
     * @param sensitivity 0 to 100 or {@code auto}
     * @param threshold such as {@code 0.6%}
     * @param areas what some areas have for themselves, where a device's areas have values of their own
     * @param ignore rows of {@code #} and {@code .}: cells that are left out besides
     * @param pictures a second that are looked at, 0.2 to 10
     * @param size of the pictures that are looked at, such as {@code 320x180}
     */
    record SettingRequest(
            @Nullable String name,
            @Nullable String as,
            @Nullable String sensitivity,
            @Nullable String threshold,
            @Nullable List<AreaRequest> areas,
            @Nullable List<String> ignore,
            @Nullable Double pictures,
            @Nullable String size) {}

    record AreaRequest(
            String name,
            @Nullable String sensitivity,
            @Nullable String threshold) {}

    /**
     * @param clips their numbers; missing for all that are kept of the selection
     * @param settings missing for what the policy asks and what the recorder holds
     * @param byEvents whether cameras without clips are tried on what their recorders saw in the last night and day
     */
    record TrialRequest(
            @Nullable String select,
            @Nullable List<Long> clips,
            @Nullable List<SettingRequest> settings,
            @Nullable Boolean byEvents) {}

    /**
     * @param agreement with the recorder's own events; missing where it does not tell any
     * @param factor by which this kind of recorder sees more than the model; missing where none was found
     * @param judge what says what is wanted: {@code marks} of people, or the {@code recorder}'s own events
     * @param remarks what has to be known of this footage besides
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
            @Nullable Double factor,
            String judge,
            List<String> remarks,
            @Nullable String unheld) {}

    /** @param untried cameras of the selection of which nothing could be tried, with why */
    public record TrialView(List<TrialOfClip> clips, int missed, int falseStarts, List<String> untried) {}

    private final ClipApi looks;
    private final Sources sources;
    private final Tried tried;
    private final RecorderEvents events;

    TrialApi(ClipApi looks, Sources sources, Tried tried, RecorderEvents events) {
        this.looks = looks;
        this.sources = sources;
        this.tried = tried;
        this.events = events;
    }

    @PostMapping("/api/v1/trials")
    TrialView trial(@RequestBody TrialRequest given, Principal who) {
        var settings = given.settings() == null ? List.<SettingRequest>of() : given.settings();
        if (settings.size() > MOST_SETTINGS) {
            throw new Problem(Problem.Kind.INVALID, "at most " + MOST_SETTINGS + " settings are tried at once");
        }
        List<TrialOfClip> all = new ArrayList<>();
        List<String> untried = new ArrayList<>();
        if (Boolean.TRUE.equals(given.byEvents())) {
            var sampled = events.of(TrialViews.optional(given.select()).orElse(""), who.getName());
            untried.addAll(sampled.untried());
            for (var one : sampled.samples()) {
                all.add(trial(one.clip(), one.marks(), "recorder", settings));
            }
        } else {
            for (var clip : sources.clips(given.clips(), given.select())) {
                looks.looks(clip, who);
                all.add(trial(clip, tried.marks(clip), "marks", settings));
            }
        }
        return new TrialView(
                all,
                all.stream().mapToInt(c -> c.reports().getFirst().missed()).sum(),
                all.stream().mapToInt(c -> c.reports().getFirst().falseStarts()).sum(),
                untried);
    }

    private TrialOfClip trial(Clip clip, List<Mark> marks, String judge, List<SettingRequest> settings) {
        var standing = tried.standing(clip);
        Map<String, Tried.Asked> asked = new LinkedHashMap<>();
        Optional<String> unheld = Optional.empty();
        if (settings.isEmpty()) {
            asked.put("policy", Tried.Asked.of(As.POLICY));
            if (standing.held().isPresent()) {
                asked.put("recorder", Tried.Asked.of(As.HELD));
            } else {
                unheld = Optional.of(standing.trouble().orElse("it was not read yet"));
            }
        }
        for (int i = 0; i < settings.size(); i++) {
            var name = TrialViews.optional(settings.get(i).name()).orElse("tried " + (i + 1));
            asked.put(asked.containsKey(name) ? name + " " + (i + 1) : name, asked(settings.get(i)));
        }
        List<TrialReport> reports = new ArrayList<>();
        asked.forEach((name, one) -> {
            var motion = tried.motion(clip, one);
            reports.add(TrialViews.report(
                    TrialViews.setting(name, motion, one.look()), tried.report(clip, motion, marks, one.look())));
            if (one.equals(Tried.Asked.of(As.POLICY))) {
                tried.remember(clip, motion);
            }
        });
        double factor = tried.factor(standing);
        return new TrialOfClip(
                clip.id(),
                clip.camera().text(),
                clip.label(),
                clip.begins().toString(),
                clip.ends().toString(),
                reports,
                agreement(clip).map(TrialViews::agreement).orElse(null),
                factor == 1 ? null : TrialViews.rounded(factor),
                judge,
                remarks(clip, marks),
                unheld.orElse(null));
    }

    private List<String> remarks(Clip clip, List<Mark> marks) {
        var zone = tried.standing(clip).recorder().zoneId().orElse(ZoneOffset.UTC);
        List<String> remarks = new ArrayList<>();
        if (marks.isEmpty()) {
            remarks.add("nothing is marked on it, so that it only tells what would be recorded");
        }
        tried.pass(clip).oddities().forEach(o -> remarks.add(TrialViews.said(o, zone)));
        return remarks;
    }

    /** The recorder judged with what it holds. */
    private Optional<Agreement> agreement(Clip clip) {
        if (tried.standing(clip).held().isEmpty()) {
            return Optional.empty();
        }
        return sources.motion(clip)
                .map(theirs -> Agreement.of(
                        tried.report(clip, tried.motion(clip, As.HELD), List.of())
                                .events(),
                        theirs,
                        clip.ends()));
    }

    private static Tried.Asked asked(SettingRequest s) {
        return new Tried.Asked(
                as(s.as()),
                TrialViews.optional(s.sensitivity()),
                TrialViews.optional(s.threshold()),
                s.areas() == null
                        ? List.of()
                        : s.areas().stream()
                                .map(a -> new Tried.AskedArea(
                                        a.name(),
                                        TrialViews.optional(a.sensitivity()),
                                        TrialViews.optional(a.threshold())))
                                .toList(),
                mask(s.ignore()),
                look(s));
    }

    private static Look look(SettingRequest s) {
        double rate = s.pictures() == null ? Passes.PER_SECOND : s.pictures();
        if (!(rate >= FEWEST && rate <= MOST_PICTURES)) {
            throw new Problem(Problem.Kind.INVALID, "0.2 to 10 pictures a second are looked at, not " + s.pictures());
        }
        var size = TrialViews.optional(s.size()).orElse(Passes.WIDTH + "x" + Passes.HEIGHT);
        if (!SIZES.contains(size)) {
            throw new Problem(
                    Problem.Kind.INVALID,
                    "pictures of " + size + " are not looked at; expected " + String.join(", ", SIZES));
        }
        var sides = size.split("x");
        return new Look(Integer.parseInt(sides[0]), Integer.parseInt(sides[1]), rate, false);
    }

    private static As as(@Nullable String word) {
        return switch (word == null ? "policy" : word) {
            case "policy" -> As.POLICY;
            case "held" -> As.HELD;
            default -> throw new Refusal("\"" + word + "\" is nothing to start from; expected policy or held");
        };
    }

    static Optional<CellMask> mask(@Nullable List<String> rows) {
        return rows == null || rows.isEmpty() ? Optional.empty() : Optional.of(CellMask.parse(rows));
    }
}
