package choir.server.rollout;

import choir.drift.Distance;
import choir.drift.Drift;
import choir.drift.Measure;
import choir.family.NativeValue;
import choir.policy.SettingKey;
import choir.rollout.Change;
import choir.server.clip.Proofs;
import choir.server.forecast.Difference;
import choir.server.forecast.Difference.Days;
import choir.server.forecast.Difference.Recording;
import choir.server.forecast.RangeView;
import choir.server.standing.Standing;
import choir.storage.Room.Verdict;
import java.math.BigDecimal;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;

/** Adds up what the changes of a preview come to. */
final class Pricing {
    private static final String MINUTES = "minutes a week";
    private static final int MOST_STORES = 10;
    /** Sums of seconds, steps or days over cameras would say nothing. */
    private static final Map<Measure, String> SUMMED = Map.of(Measure.WATCHED_CELLS, "watched cells");

    private final Map<String, Sum> sums = new LinkedHashMap<>();
    private final Set<String> recorders = new HashSet<>();
    private int cameras;
    private int settings;
    private boolean sensing;

    private static final class Sum {
        private BigDecimal more = BigDecimal.ZERO;
        private BigDecimal less = BigDecimal.ZERO;
        private final Set<String> cameras = new HashSet<>();
    }

    Pricing() {
        sums.put(MINUTES, new Sum());
        SUMMED.values().forEach(m -> sums.put(m, new Sum()));
    }

    void add(Standing standing, Map<SettingKey, Change> changes) {
        cameras++;
        settings += changes.size();
        sensing |= changes.keySet().stream().anyMatch(key -> Proofs.isOfMotion(key.text()));
        recorders.add(standing.recorder().name());
        changes.forEach((key, change) -> change.before().ifPresent(held -> add(standing, key, change.after(), held)));
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

    /** @param difference what recording and disks come to */
    Price price(Difference difference) {
        List<Price.Effect> effects = sums.entrySet().stream()
                .filter(e -> !e.getValue().cameras.isEmpty())
                .map(e -> new Price.Effect(
                        e.getKey(),
                        e.getValue().more,
                        e.getValue().less,
                        e.getValue().cameras.size()))
                .toList();
        return new Price(
                cameras,
                recorders.size(),
                settings,
                effects,
                expected(difference.before()),
                expected(difference.after()),
                difference.stores().stream()
                        .filter(Pricing::isTold)
                        .limit(MOST_STORES)
                        .map(Pricing::kept)
                        .toList(),
                difference.words()
                        + (sensing
                                ? "; what another sensitivity, threshold or area does to how often something records is"
                                        + " not known"
                                : ""));
    }

    /** Stores on which footage lives long enough before and after are not worth a line. */
    private static boolean isTold(Days store) {
        return store.then() != store.now() || store.then() == Verdict.TOO_SHORT || store.then() == Verdict.CLOSE;
    }

    private static Price.StoreDays kept(Days store) {
        return new Price.StoreDays(
                store.recorder(),
                store.store().isEmpty() ? null : store.store(),
                store.wanted().isPresent() ? store.wanted().getAsInt() : null,
                RangeView.of(store.before()),
                RangeView.of(store.after()),
                store.then().name());
    }

    private static Price.Expected expected(Recording recorded) {
        return new Price.Expected(
                Math.round(recorded.secondsADay() * 7 / 360) / 10.0, Math.round(recorded.bytesADay()));
    }
}
