package choir.server.rollout;

import choir.drift.Distance;
import choir.drift.Drift;
import choir.drift.Measure;
import choir.family.NativeConfig;
import choir.family.NativeValue;
import choir.policy.SettingKey;
import choir.rollout.Change;
import choir.server.clip.Proofs;
import choir.server.standing.Standing;
import choir.storage.Assumed;
import choir.storage.Movement;
import choir.storage.Recorded;
import java.math.BigDecimal;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/** Adds up what the changes of a preview come to. */
final class Pricing {
    private static final String MINUTES = "minutes a week";
    /** Sums of seconds, steps or days over cameras would say nothing. */
    private static final Map<Measure, String> SUMMED = Map.of(Measure.WATCHED_CELLS, "watched cells");

    private final Assumed assumed;
    private final Map<String, Sum> sums = new LinkedHashMap<>();
    private final Set<String> recorders = new HashSet<>();
    private int cameras;
    private int settings;
    private boolean sensing;
    private int reckoned;
    private int counted;
    private Recorded before = Recorded.NOTHING;
    private Recorded after = Recorded.NOTHING;

    private static final class Sum {
        private BigDecimal more = BigDecimal.ZERO;
        private BigDecimal less = BigDecimal.ZERO;
        private final Set<String> cameras = new HashSet<>();
    }

    Pricing(Assumed assumed) {
        this.assumed = assumed;
        sums.put(MINUTES, new Sum());
        SUMMED.values().forEach(m -> sums.put(m, new Sum()));
    }

    /** @param measured how often the camera saw motion in the last weeks; empty when that is not known */
    void add(Standing standing, Map<SettingKey, Change> changes, Optional<Movement> measured) {
        cameras++;
        settings += changes.size();
        sensing |= changes.keySet().stream().anyMatch(key -> Proofs.isOfMotion(key.text()));
        recorders.add(standing.recorder().name());
        changes.forEach((key, change) -> change.before().ifPresent(held -> add(standing, key, change.after(), held)));
        var held = standing.held().orElse(NativeConfig.EMPTY);
        Map<SettingKey, NativeValue> written = new HashMap<>();
        changes.forEach((key, change) -> written.put(key, change.after()));
        Recorded.of(held, assumed, measured)
                .ifPresent(was -> Recorded.of(held.with(written), assumed, measured)
                        .ifPresent(will -> {
                            before = before.plus(was);
                            after = after.plus(will);
                            reckoned++;
                            counted += measured.isPresent() ? 1 : 0;
                        }));
    }

    /** What was a loss before is had more of after, and the other way round. */
    private void add(Standing standing, SettingKey key, NativeValue wanted, NativeValue held) {
        var distance = Drift.distance(standing.translation(), standing.family(), key, wanted, held);
        var measure = switch (distance) {
            case Distance.OfWeek w -> MINUTES;
            case Distance.Counted c -> SUMMED.get(c.measure());
            case Distance.None n -> null;
        };
        if (measure != null) {
            var sum = sums.get(measure);
            sum.more = sum.more.add(distance.loss());
            sum.less = sum.less.add(distance.waste());
            sum.cameras.add(standing.camera().text());
        }
    }

    Price price() {
        List<Price.Effect> effects = sums.entrySet().stream()
                .filter(e -> !e.getValue().cameras.isEmpty())
                .map(e -> new Price.Effect(
                        e.getKey(),
                        e.getValue().more,
                        e.getValue().less,
                        e.getValue().cameras.size()))
                .toList();
        return new Price(cameras, recorders.size(), settings, effects, expected(before), expected(after), words());
    }

    /** What the figures rest on: what was measured, and what is assumed. */
    private String words() {
        if (counted == 0) {
            return assumed.words();
        }
        var motion = counted == reckoned
                ? "motion as it was counted in the last two weeks"
                : "motion as it was counted in the last two weeks at " + counted + " of " + reckoned + " cameras";
        return "reckoned with " + motion
                + (sensing ? "; what another sensitivity, threshold or area does to that is not known" : "")
                + "; the rest " + assumed.words();
    }

    private static Price.Expected expected(Recorded recorded) {
        return new Price.Expected(Math.round(recorded.secondsAWeek() / 360) / 10.0, Math.round(recorded.bytesADay()));
    }
}
