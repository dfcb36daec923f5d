package choir.storage;

import choir.family.NativeConfig;
import choir.family.NativeValue;
import choir.policy.Catalogue;
import choir.week.Trigger;
import choir.week.TriggerSet;
import choir.week.Week;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/**
 * A change that would leave more room, and how much.
 *
 * @param cameras for how many it would change something
 * @param bytesADay that are likely to be saved
 */
public record Saving(What what, int cameras, double bytesADay) {
    /** What would be set otherwise. */
    public enum What {
        /** Where motion was counted, from 20:00 to 06:00. */
        MOTION_AT_NIGHT,
        /** Where motion was counted, at all hours. */
        MOTION_ALWAYS,
        FEWER_PICTURES
    }

    /** More of them a second are seldom missed. */
    public static final int PICTURES = 12;

    private static final int MORNING = 6 * 60;
    private static final int EVENING = 20 * 60;

    /** A camera as it would be set, with what is known of it. */
    public record Planned(NativeConfig config, Footing footing) {}

    /** What is worth a thought for the cameras of one store, the most first. */
    public static List<Saving> of(List<Planned> cameras, LocalDate from) {
        List<Saving> all = new ArrayList<>();
        for (var what : What.values()) {
            int changed = 0;
            double saved = 0;
            for (var camera : cameras) {
                var other = otherwise(what, camera);
                if (other.isPresent()) {
                    double less =
                            bytes(camera.config(), camera.footing(), from) - bytes(other.get(), camera.footing(), from);
                    changed += less > 0 ? 1 : 0;
                    saved += Math.max(0, less);
                }
            }
            if (changed > 0) {
                all.add(new Saving(what, changed, saved));
            }
        }
        all.sort(Comparator.comparingDouble(Saving::bytesADay).reversed());
        return all;
    }

    private static double bytes(NativeConfig config, Footing footing, LocalDate from) {
        return Usage.of(config, footing, from).map(u -> u.bytesADay().likely()).orElse(0.0);
    }

    private static Optional<NativeConfig> otherwise(What what, Planned camera) {
        return switch (what) {
            case MOTION_AT_NIGHT -> byMotion(camera, MORNING, EVENING);
            case MOTION_ALWAYS -> byMotion(camera, 0, 0);
            case FEWER_PICTURES ->
                Usage.number(camera.config(), Catalogue.FRAME_RATE).orElse(0) > PICTURES
                        ? Optional.of(camera.config().with(Map.of(Catalogue.FRAME_RATE, NativeValue.number(PICTURES))))
                        : Optional.empty();
        };
    }

    /** Of cameras of which nobody counted how often they see motion nothing can be promised. */
    private static Optional<NativeConfig> byMotion(Planned camera, int keptFrom, int keptTo) {
        var config = camera.config();
        if (camera.footing().movement().isEmpty()
                || !(config.get(Catalogue.WEEK).orElse(null) instanceof NativeValue.Hours(var week))) {
            return Optional.empty();
        }
        var other = week.map(t -> t.members().contains(Trigger.CONTINUOUS) ? TriggerSet.MOTION : t);
        for (int day = 0; day < Week.MINUTES && keptFrom < keptTo; day += Week.DAY) {
            for (var run : week.runs()) {
                int from = Math.max(run.from(), day + keptFrom);
                int to = Math.min(run.to(), day + keptTo);
                other = from < to ? other.paint(from, to, run.value()) : other;
            }
        }
        return other.equals(week)
                ? Optional.empty()
                : Optional.of(config.with(Map.of(Catalogue.WEEK, new NativeValue.Hours(other))));
    }
}
