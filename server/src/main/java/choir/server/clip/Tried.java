package choir.server.clip;

import choir.area.CellMask;
import choir.family.NativeConfig;
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

    Tried(Standings standings, Passes passes, ClipStore store) {
        this.standings = standings;
        this.passes = passes;
        this.store = store;
    }

    /** What a device would hold, or holds, as it works on this clip's pictures. */
    DeviceMotion motion(Clip clip, As as) {
        return motion(standings.of(clip.camera()), clip, as);
    }

    static DeviceMotion motion(Standing standing, Clip clip, As as) {
        var held = standing.held();
        if (as == As.HELD && held.isEmpty()) {
            throw new Problem(
                    Problem.Kind.CONFLICT,
                    "what " + standing.camera() + " holds is not known: "
                            + standing.trouble().orElse("it was not read yet"));
        }
        return motion(standing, clip, as == As.HELD ? held.orElseThrow() : wanted(standing));
    }

    static DeviceMotion motion(Standing standing, Clip clip, NativeConfig config) {
        return DeviceMotion.of(standing.family(), config, wall(standing, clip.begins()), Passes.WIDTH, Passes.HEIGHT);
    }

    /** What the policy asks at that instant. */
    static DeviceMotion now(Standing standing, Instant at) {
        return DeviceMotion.of(standing.family(), wanted(standing), wall(standing, at), Passes.WIDTH, Passes.HEIGHT);
    }

    /** What the recorder holds, as it works at that instant; empty when that is not known. */
    static Optional<DeviceMotion> heldNow(Standing standing, Instant at) {
        return standing.held()
                .map(held -> DeviceMotion.of(standing.family(), held, wall(standing, at), Passes.WIDTH, Passes.HEIGHT));
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

    /**
     * @param sensitivity {@code 55} or {@code auto}; as it is when missing
     * @param threshold such as {@code 0.6%}; as it is when missing
     * @param ignore further cells that are not watched
     */
    static DeviceMotion with(
            DeviceMotion base, Optional<String> sensitivity, Optional<String> threshold, Optional<CellMask> ignore) {
        var sense = sensitivity
                .map(s -> s.strip().equals("auto") ? Optional.<BigDecimal>empty() : Optional.of(number(s)))
                .orElse(base.sensitivity());
        double share = threshold.map(Tried::share).orElse(base.setting().threshold());
        var changed = sensitivity.isEmpty() && threshold.isEmpty() ? base : base.with(sense, share);
        if (ignore.isEmpty()) {
            return changed;
        }
        var watched = changed.watched();
        watched.andNot(DeviceMotion.pixels(ignore.get(), Passes.WIDTH, Passes.HEIGHT));
        return changed.with(watched);
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

    Report report(Clip clip, DeviceMotion motion) {
        return report(pass(clip), marks(clip), motion);
    }

    static Report report(Pass pass, List<Mark> marks, DeviceMotion motion) {
        // With detection off nothing is watched.
        var watched = motion.detects() ? motion.watched() : new BitSet();
        return Trial.of(motion.setting(), pass.levels(motion.setting().step(), watched), marks);
    }

    /** What the best setting is, beside what the policy asks now. */
    record Suggested(Report now, Optional<Suggestion> best) {}

    /** @throws Problem when that is more footage than is held in memory at once */
    Suggested suggestion(List<Clip> clips) {
        var length = clips.stream().map(Clip::length).reduce(Duration.ZERO, Duration::plus);
        if (length.compareTo(MOST_AT_ONCE) > 0) {
            throw new Problem(
                    Problem.Kind.INVALID,
                    "these clips are " + length.toMinutes() + " minutes long, and at most " + MOST_AT_ONCE.toMinutes()
                            + " are looked at together; name some of them");
        }
        suggesting.acquireUninterruptibly();
        try {
            return suggested(clips);
        } finally {
            suggesting.release();
        }
    }

    private Suggested suggested(List<Clip> clips) {
        var standing = standings.of(clips.getFirst().camera());
        var motion = motion(standing, clips.getFirst(), As.POLICY);
        var pass = Pass.joined(clips.stream().map(this::pass).toList());
        var marks = clips.stream().flatMap(c -> marks(c).stream()).toList();
        return new Suggested(
                report(pass, marks, motion),
                Suggestion.of(
                        pass,
                        motion.watched(),
                        marks,
                        LiveApi.choices(standing, motion),
                        motion.setting(),
                        DeviceChoices.grid(standing.family())));
    }

    Standing standing(Clip clip) {
        return standings.of(clip.camera());
    }
}
