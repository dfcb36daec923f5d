package choir.family;

import choir.area.CellMask;
import choir.family.Translation.Wish;
import choir.policy.AreaKind;
import choir.policy.Catalogue;
import choir.policy.Effective;
import choir.policy.EffectivePolicy;
import choir.policy.Sensing;
import choir.policy.SettingKey;
import choir.policy.Sourced;
import choir.policy.Value;
import choir.scale.CountScale;
import choir.scale.NativeScalar;
import choir.scale.Sensitivity;
import choir.scale.Threshold;
import java.math.BigDecimal;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.BinaryOperator;
import java.util.function.Function;
import java.util.stream.Stream;

/**
 * The part of a translation that is about the picture: areas, and the sensitivity and threshold that are bound to them,
 * since a threshold is a share of the watched picture and an area may have values of its own.
 */
final class Watching {
    private final EffectivePolicy policy;
    private final Family family;
    private final Optional<CellMask> knownMask;
    private Optional<Zoning> zoning = Optional.empty();

    Watching(EffectivePolicy policy, Family family, Optional<CellMask> knownMask) {
        this.policy = policy;
        this.family = family;
        this.knownMask = knownMask;
    }

    /** Areas may have values of their own where the policy says nothing for the whole picture. */
    void ofAreasAlone(Map<SettingKey, Wish> wishes) {
        if (!wishes.containsKey(Catalogue.SENSITIVITY)
                && family.ability(Catalogue.SENSITIVITY).orElse(null) instanceof Ability.Sense ability) {
            areaValues(Effective.Area::sensitivity)
                    .min(Comparator.comparing(
                            s -> s.number().map(Sensitivity::value).orElse(BigDecimal.ZERO)))
                    .ifPresent(s -> wishes.put(Catalogue.SENSITIVITY, sense(ability, s)));
        }
        if (!wishes.containsKey(Catalogue.THRESHOLD)) {
            areaValues(Effective.Area::threshold)
                    .max(Comparator.comparing(Threshold::percent))
                    .flatMap(t -> family.ability(Catalogue.THRESHOLD)
                            .filter(Ability.OfThreshold.class::isInstance)
                            .map(a -> threshold((Ability.OfThreshold) a, t)))
                    .ifPresent(wish -> wishes.put(Catalogue.THRESHOLD, wish));
        }
    }

    Wish threshold(Ability.OfThreshold ability, Threshold asked) {
        return switch (ability) {
            case Ability.Cells c -> cells(c, asked);
            case Ability.Pixels p -> pixels(p, asked);
            case Ability.Percent p -> percent(p, asked);
            case Ability.Steps s -> steps(s, asked);
        };
    }

    Wish sense(Ability.Sense ability, Sensing sensing) {
        if (sensing.auto() && ability.adapts()) {
            return Translator.exact(new NativeValue.Single(Ability.Sense.AUTO));
        }
        if (sensing.number().isEmpty()) {
            return new Wish.Cannot(
                    sensing.toString(), family.title() + " cannot adapt its sensitivity; say \"auto, else\" a number");
        }
        var asked = sensing.number().get();
        if (ability.eachArea()) {
            var native_ = ability.scale().toNative(asked);
            var values = perArea(
                    area -> area.sensitivity()
                            .flatMap(s -> s.value().number())
                            .map(ability.scale()::toNative)
                            .orElse(native_),
                    (a, b) -> ability.scale().stepsTowardsSensitive(a, b) > 0 ? b : a,
                    native_);
            return Translator.wanted(values, sensing.auto(), sensing.toString(), NativeText.of(values));
        }
        var most = areaValues(Effective.Area::sensitivity)
                .flatMap(s -> s.number().stream())
                .map(Sensitivity::value)
                .filter(v -> v.compareTo(asked.value()) > 0)
                .max(Comparator.naturalOrder())
                .map(Sensitivity::new);
        var native_ = ability.scale().toNative(most.orElse(asked));
        boolean differs = sensing.auto() || most.isPresent();
        return Translator.wanted(
                new NativeValue.Single(native_),
                differs,
                sensing.toString(),
                most.orElse(asked).toString());
    }

    /**
     * One value when all areas have the same, else one for each of the device's areas in their order.
     *
     * @param moreSensitive of two
     * @param plain for an area that stands for none of the policy's
     */
    private NativeValue perArea(
            Function<Effective.Area, NativeScalar> each,
            BinaryOperator<NativeScalar> moreSensitive,
            NativeScalar plain) {
        var values = zoning().map(z -> z.sources().stream()
                        .map(areas ->
                                areas.stream().map(each).reduce(moreSensitive).orElse(plain))
                        .toList())
                .orElse(List.of());
        return values.isEmpty() ? new NativeValue.Single(plain) : NativeValue.ofAreas(values);
    }

    /** The policy's areas on a device that has polygons; empty when it has none or the policy does not speak of areas. */
    private Optional<Zoning> zoning() {
        if (zoning.isEmpty() && family.ability(Catalogue.AREAS).orElse(null) instanceof Ability.Zones ability) {
            zoning = policy.areas().map(areas -> Zoning.of(areas, ability));
        }
        return zoning;
    }

    Wish zones(Ability.Zones ability, Effective.Areas areas) {
        var found = zoning().orElseGet(() -> Zoning.of(areas, ability));
        return new Wish.Wanted(new NativeValue.Zones(found.zones()), found.note());
    }

    private Wish percent(Ability.Percent ability, Threshold asked) {
        if (!ability.eachArea()) {
            return count(ability.scale(), asked, 100, "percent");
        }
        int plain = ability.scale().toNative(asked, 100);
        var values = perArea(
                area -> NativeScalar.of(area.threshold()
                        .map(t -> ability.scale().toNative(t.value(), 100))
                        .orElse(plain)),
                Watching::smaller,
                NativeScalar.of(plain));
        boolean differs = BigDecimal.valueOf(plain).compareTo(asked.percent()) != 0;
        return Translator.wanted(values, differs, asked.toString(), NativeText.of(values) + "%");
    }

    private static NativeScalar smaller(NativeScalar a, NativeScalar b) {
        return ((NativeScalar.Number) a).value().compareTo(((NativeScalar.Number) b).value()) <= 0 ? a : b;
    }

    /** The nearest step; half-way the lower one, which reacts sooner. */
    private Wish steps(Ability.Steps ability, Threshold general) {
        var asked = areaValues(Effective.Area::threshold)
                .filter(t -> t.percent().compareTo(general.percent()) < 0)
                .min(Comparator.comparing(Threshold::percent))
                .orElse(general);
        int nearest = 0;
        for (int i = 1; i < ability.percents().size(); i++) {
            boolean nearer = distance(ability, i, asked).compareTo(distance(ability, nearest, asked)) < 0;
            nearest = nearer ? i : nearest;
        }
        var taken = ability.percents().get(nearest);
        return Translator.wanted(
                NativeValue.number(nearest + 1L),
                !taken.equals(general),
                general.toString(),
                "step " + (nearest + 1) + ", which is " + taken);
    }

    private static BigDecimal distance(Ability.Steps ability, int step, Threshold asked) {
        return ability.percents().get(step).percent().subtract(asked.percent()).abs();
    }

    private Wish cells(Ability.Cells ability, Threshold asked) {
        return count(ability.scale(), asked, watchedCells(), "cells");
    }

    /** The watched share of the picture, in pixels of the size at which it is analysed. */
    private Wish pixels(Ability.Pixels ability, Threshold asked) {
        var side = policy.scalar(Catalogue.ANALYSE_SIZE)
                .map(Value::text)
                .orElseGet(() -> sizeAtTheFactory())
                .split("/");
        int divisor = side.length > 1 ? Integer.parseInt(side[1]) : 1;
        long picture = (long) (ability.fullWidth() / divisor) * (ability.fullHeight() / divisor);
        int cells = family.ability(Catalogue.AREAS)
                .filter(Ability.Mask.class::isInstance)
                .map(a -> ((Ability.Mask) a).grid().cells())
                .orElse(1);
        int watched = cells == 1 ? (int) picture : (int) (picture * watchedCells() / cells);
        return count(ability.scale(), asked, watched, "pixels");
    }

    /** Our word for the size that the device has from the factory; the whole picture when it does not say. */
    private String sizeAtTheFactory() {
        return family.ability(Catalogue.ANALYSE_SIZE)
                .filter(Ability.Choice.class::isInstance)
                .map(Ability.Choice.class::cast)
                .flatMap(c -> c.choices().entrySet().stream()
                        .filter(e -> c.factory()
                                .filter(NativeValue.word(e.getValue())::equals)
                                .isPresent())
                        .map(Map.Entry::getKey)
                        .findFirst())
                .orElse("1");
    }

    private Wish count(CountScale scale, Threshold asked, int watched, String unit) {
        var least = areaValues(Effective.Area::threshold)
                .filter(t -> t.percent().compareTo(asked.percent()) < 0)
                .min(Comparator.comparing(Threshold::percent));
        int count = scale.toNative(least.orElse(asked), watched);
        var exact = least.orElse(asked)
                .percent()
                .multiply(BigDecimal.valueOf(watched))
                .movePointLeft(2);
        boolean clamped = exact.subtract(BigDecimal.valueOf(count)).abs().compareTo(BigDecimal.ONE) >= 0;
        var value = NativeValue.number(count);
        return Translator.wanted(
                value, clamped || least.isPresent(), asked.toString(), count + " of " + watched + " " + unit);
    }

    private <T> Stream<T> areaValues(Function<Effective.Area, Optional<Sourced<T>>> field) {
        return policy.areas().stream()
                .flatMap(a -> a.byName().values().stream())
                .filter(a -> a.kindOrWatch() == AreaKind.WATCH && a.shape().isPresent())
                .flatMap(a -> field.apply(a).stream())
                .map(Sourced::value);
    }

    /** Cells are counted over the desired areas; if those are not governed, over the known mask. */
    private int watchedCells() {
        var mask = family.ability(Catalogue.AREAS).filter(Ability.Mask.class::isInstance);
        if (mask.isEmpty()) {
            return knownMask.map(CellMask::count).orElse(100);
        }
        var grid = ((Ability.Mask) mask.get()).grid();
        return policy.areas()
                .map(a -> a.watched(grid))
                .or(() -> knownMask)
                .map(CellMask::count)
                .orElse(grid.cells());
    }
}
