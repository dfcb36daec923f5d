package choir.trial;

import choir.area.CellGrid;
import choir.family.Ability;
import choir.family.Family;
import choir.motion.Suggestion.Choices;
import choir.policy.Catalogue;
import choir.scale.NativeScalar;
import choir.scale.Sensitivity;
import choir.scale.SensitivityScale;
import choir.scale.Threshold;
import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;

/** What sensitivities and thresholds a device can hold, in neutral units, in its own steps. */
public final class DeviceChoices {
    /** The grid of an area that is proposed where the device has none of its own. */
    private static final CellGrid USUAL = new CellGrid(22, 18);

    private static final double LEAST_SHARE = 0.0002;
    private static final double MOST_SHARE = 0.5;
    private static final double RATIO = 1.06;

    private DeviceChoices() {}

    /** @param watched of the cells of its grid; thresholds that count cells are counted over them */
    public static Choices of(Family family, int watched) {
        var sense = family.ability(Catalogue.SENSITIVITY).orElse(null) instanceof Ability.Sense s ? s : null;
        return new Choices(
                sense == null ? List.of(50.0) : sensitivities(sense.scale()),
                sense != null && sense.adapts(),
                thresholds(family, watched));
    }

    private static List<Double> sensitivities(SensitivityScale scale) {
        Map<NativeScalar, Double> found = new LinkedHashMap<>();
        for (int s = 0; s <= 100; s++) {
            var held = scale.toNative(new Sensitivity(BigDecimal.valueOf(s)));
            found.computeIfAbsent(held, h -> scale.toNeutral(h).value().doubleValue());
        }
        return List.copyOf(found.values());
    }

    private static List<Double> thresholds(Family family, int watched) {
        if (!(family.ability(Catalogue.THRESHOLD).orElse(null) instanceof Ability.OfThreshold ability)) {
            return List.of(0.01);
        }
        List<Double> found = new ArrayList<>();
        switch (ability) {
            case Ability.Cells c -> {
                for (int n = c.scale().min(); n <= Math.min(c.scale().max(), Math.max(1, watched)); n++) {
                    found.add(share(c.scale().toNeutral(n, watched)));
                }
            }
            case Ability.Percent p -> {
                for (int n = Math.max(1, p.scale().min()); n <= p.scale().max(); n++) {
                    found.add(n / 100.0);
                }
            }
            case Ability.Steps s -> s.percents().forEach(t -> found.add(share(t)));
            case Ability.Pixels _ -> {
                // So many that any share can be held.
                for (double t = LEAST_SHARE; t <= MOST_SHARE; t *= RATIO) {
                    found.add(t);
                }
            }
        }
        return found;
    }

    private static double share(Threshold threshold) {
        return threshold.percent().movePointLeft(2).doubleValue();
    }

    /** The cells in which the device holds areas. */
    public static CellGrid grid(Family family) {
        return switch (family.ability(Catalogue.AREAS).orElse(null)) {
            case Ability.Mask mask -> mask.grid();
            case Ability.Zones zones -> zones.grid();
            case null, default -> USUAL;
        };
    }
}
