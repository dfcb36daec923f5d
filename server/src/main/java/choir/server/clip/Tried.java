package choir.server.clip;

import choir.area.CellMask;
import choir.family.NativeConfig;
import choir.footage.Look;
import choir.motion.GroupSuggestion;
import choir.motion.Looking;
import choir.motion.Mark;
import choir.motion.Pass;
import choir.motion.Suggestion;
import choir.motion.Trial;
import choir.motion.Trial.Report;
import choir.refusal.Refusal;
import choir.scale.Sensitivity;
import choir.scale.Threshold;
import choir.server.standing.Standing;
import choir.server.standing.Standings;
import choir.server.web.Problem;
import choir.trial.DeviceChoices;
import choir.trial.DeviceMotion;
import java.math.BigDecimal;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalDateTime;
import java.time.ZoneOffset;
import java.util.BitSet;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.Semaphore;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import org.springframework.stereotype.Component;

/** Settings tried on clips: what a camera's policy asks, what its recorder holds, and what somebody wants to try. */
@Component
class Tried {
    /** Whose settings are tried. */
    enum As {
        POLICY,
        HELD
    }

    /** Of one camera, for a suggestion. */
    private static final Duration MOST_AT_ONCE = Duration.ofMinutes(60);

    private final Semaphore suggesting = new Semaphore(2, true);
    private final Standings standings;
    private final Passes passes;
    private final ClipStore store;
    private final FactorStore factors;

    Tried(Standings standings, Passes passes, ClipStore store, FactorStore factors) {
        this.factors = factors;
        this.standings = standings;
        this.passes = passes;
        this.store = store;
    }

    /**
     * A setting to try.
     *
     * @param sensitivity {@code 55} or {@code auto}; as it is when missing
     * @param threshold such as {@code 0.6%}; as it is when missing
     * @param areas what some of the device's areas have for themselves
     * @param ignore further cells that are not watched
     */
    record Asked(
            As as,
            Optional<String> sensitivity,
            Optional<String> threshold,
            List<AskedArea> areas,
            Optional<CellMask> ignore,
            Look look) {
        static Asked of(As as) {
            return new Asked(as, Optional.empty(), Optional.empty(), List.of(), Optional.empty(), Passes.USUAL);
        }
    }

    /** As {@link Asked}, for one area. */
    record AskedArea(String name, Optional<String> sensitivity, Optional<String> threshold) {}

    /** What a device would hold, or holds, as it works on this clip's pictures, with what is tried. */
    DeviceMotion motion(Clip clip, Asked asked) {
        var standing = standings.of(clip.camera());
        var config = asked.as() == As.HELD ? held(standing) : wanted(standing);
        var changed = motion(standing, clip.begins(), config, asked.look());
        if (asked.sensitivity().isPresent() || asked.threshold().isPresent()) {
            var first = changed.areas().getFirst();
            changed = changed.with(sensitivity(asked.sensitivity(), first), share(asked.threshold(), first));
        }
        for (var own : asked.areas()) {
            var area = changed.area(own.name());
            changed = changed.with(own.name(), sensitivity(own.sensitivity(), area), share(own.threshold(), area));
        }
        return asked.ignore().isEmpty()
                ? changed
                : changed.without(DeviceMotion.pixels(
                        asked.ignore().get(), asked.look().width(), asked.look().height()));
    }

    DeviceMotion motion(Clip clip, As as) {
        return motion(clip, Asked.of(as));
    }

    private static NativeConfig held(Standing standing) {
        return standing.held()
                .orElseThrow(() -> new Problem(
                        Problem.Kind.CONFLICT,
                        "what " + standing.camera() + " holds is not known: "
                                + standing.trouble().orElse("it was not read yet")));
    }

    private static DeviceMotion motion(Standing standing, Instant at, NativeConfig config, Look look) {
        return DeviceMotion.of(standing.family(), config, wall(standing, at), look.width(), look.height());
    }

    static DeviceMotion motion(Standing standing, Clip clip, NativeConfig config) {
        return motion(standing, clip.begins(), config, Passes.USUAL);
    }

    /** What the policy asks at that instant. */
    static DeviceMotion now(Standing standing, Instant at) {
        return motion(standing, at, wanted(standing), Passes.USUAL);
    }

    /** What the recorder holds, as it works at that instant; empty when that is not known. */
    static Optional<DeviceMotion> heldNow(Standing standing, Instant at) {
        return standing.held().map(held -> motion(standing, at, held, Passes.USUAL));
    }

    /**
     * The settings of a trial in words, by which it is known whether they are still the same. What is watched stands in it
     * as a number.
     */
    static String words(DeviceMotion motion) {
        var setting = motion.setting();
        return motion.areas().stream()
                        .map(a -> a.name() + " "
                                + a.sensitivity().map(BigDecimal::toPlainString).orElse("auto") + " "
                                + TrialViews.percent(a.threshold()) + " "
                                + Integer.toHexString(a.watched().hashCode()))
                        .collect(Collectors.joining("; "))
                + "; " + (motion.detects() ? "on" : "off") + " " + setting.onDelay() + " " + setting.offDelay();
    }

    /** What is asked, in the device's own steps, over what it holds where nothing is asked. */
    static NativeConfig wanted(Standing standing) {
        Map<choir.policy.SettingKey, choir.family.NativeValue> wanted = new HashMap<>();
        standing.translation()
                .wishes()
                .keySet()
                .forEach(key -> standing.translation().wanted(key).ifPresent(v -> wanted.put(key, v)));
        return standing.held().orElse(NativeConfig.EMPTY).with(wanted);
    }

    private static LocalDateTime wall(Standing standing, Instant at) {
        // Where no zone is known; the hour only matters where a sensitivity differs by time.
        return at.atZone(standing.recorder().zoneId().orElse(ZoneOffset.UTC)).toLocalDateTime();
    }

    private static Optional<BigDecimal> sensitivity(Optional<String> asked, DeviceMotion.Area now) {
        return asked.map(s -> s.strip().equals("auto") ? Optional.<BigDecimal>empty() : Optional.of(number(s)))
                .orElse(now.sensitivity());
    }

    private static double share(Optional<String> asked, DeviceMotion.Area now) {
        return asked.map(Tried::share).orElse(now.threshold());
    }

    private static BigDecimal number(String text) {
        if (!text.strip().matches("\\d{1,3}(\\.\\d{1,4})?")) {
            throw new Refusal("\"" + text + "\" is no sensitivity; expected 0 to 100, or auto");
        }
        return new Sensitivity(new BigDecimal(text.strip())).value();
    }

    private static double share(String text) {
        if (!text.strip().matches("\\d{1,3}(\\.\\d{1,6})?\\s*%?")) {
            throw new Refusal("\"" + text + "\" is no threshold; expected a share such as 0.6%");
        }
        return new Threshold(new BigDecimal(text.replace("%", "").strip()))
                .percent()
                .movePointLeft(2)
                .doubleValue();
    }

    Pass pass(Clip clip) {
        return passes.of(clip);
    }

    List<Mark> marks(Clip clip) {
        return store.marks(clip.id()).stream().map(ClipStore.StoredMark::mark).toList();
    }

    /** By what factor this camera's recorder sees more than the model; 1 where nobody found one. */
    double factor(Standing standing) {
        return factors.of(standing.family().name(), standing.recorder().device().model());
    }

    Report report(Clip clip, DeviceMotion motion, List<Mark> marks) {
        return report(standing(clip), pass(clip), motion, marks);
    }

    Report report(Standing standing, Pass pass, DeviceMotion motion, List<Mark> marks) {
        return Trial.ofAreas(motion.setting(), motion.lanes(pass, factor(standing)), marks);
    }

    /** The same of pictures that are looked at otherwise. */
    Report report(Clip clip, DeviceMotion motion, List<Mark> marks, Look look) {
        if (look.equals(Passes.USUAL)) {
            return report(clip, motion, marks);
        }
        var areas = motion.areas().stream()
                .map(a -> new Looking.At(a.step(), motion.detects() ? a.watched() : new BitSet()))
                .toList();
        return Trial.ofAreas(
                motion.setting(), motion.lanes(passes.levels(clip, look, areas), factor(standing(clip))), marks);
    }

    /** From now on it is known that it was tried with these. */
    void remember(Clip clip, DeviceMotion motion) {
        store.tried(clip.id(), words(motion));
    }

    /** What the best setting is, beside what the policy asks now. */
    record Suggested(Report now, Optional<Suggestion> best) {}

    /** @throws Problem when that is more footage than is held in memory at once */
    Suggested suggestion(List<Clip> clips) {
        refuseTooLong(clips);
        suggesting.acquireUninterruptibly();
        try {
            return suggested(clips);
        } finally {
            suggesting.release();
        }
    }

    private static void refuseTooLong(List<Clip> clips) {
        var length = clips.stream().map(Clip::length).reduce(Duration.ZERO, Duration::plus);
        if (length.compareTo(MOST_AT_ONCE) > 0) {
            throw new Problem(
                    Problem.Kind.INVALID,
                    "these clips are " + length.toMinutes() + " minutes long, and at most " + MOST_AT_ONCE.toMinutes()
                            + " are looked at together; name some of them");
        }
    }

    private Suggested suggested(List<Clip> clips) {
        var footage = marked(clips);
        return new Suggested(
                report(footage.standing(), footage.pass(), footage.motion(), footage.marks()), best(footage));
    }

    /** All that is known of a camera from its clips, at what its policy asks. */
    private record Marked(Standing standing, DeviceMotion motion, Pass pass, List<Mark> marks) {}

    private Marked marked(List<Clip> clips) {
        return new Marked(
                standing(clips.getFirst()),
                motion(clips.getFirst(), As.POLICY),
                Pass.joined(clips.stream().map(this::pass).toList()),
                clips.stream().flatMap(c -> marks(c).stream()).toList());
    }

    private Optional<Suggestion> best(Marked m) {
        double factor = factor(m.standing());
        var lanes = m.motion().lanes(m.pass(), factor);
        return Suggestion.of(
                m.pass(),
                IntStream.range(0, lanes.size())
                        .mapToObj(i ->
                                new Suggestion.Area(m.motion().areas().get(i).watched(), lanes.get(i)))
                        .toList(),
                m.marks(),
                LiveApi.choices(m.standing(), m.motion()),
                m.motion().setting(),
                DeviceChoices.grid(m.standing().family()),
                factor);
    }

    /**
     * What every setting that could be common comes to at one camera.
     *
     * @return empty where no moment is marked as wanted, or where each area has values of its own
     */
    Optional<GroupSuggestion.Table<Standing>> table(List<Clip> clips) {
        refuseTooLong(clips);
        suggesting.acquireUninterruptibly();
        try {
            var footage = marked(clips);
            return footage.motion().byArea()
                    ? Optional.empty()
                    : best(footage)
                            .map(found -> new GroupSuggestion.Table<>(
                                    footage.standing(),
                                    footage.pass(),
                                    footage.motion().watched(),
                                    footage.marks(),
                                    LiveApi.choices(footage.standing(), footage.motion()),
                                    footage.motion().setting(),
                                    factor(footage.standing()),
                                    found));
        } finally {
            suggesting.release();
        }
    }

    Standing standing(Clip clip) {
        return standings.of(clip.camera());
    }
}
