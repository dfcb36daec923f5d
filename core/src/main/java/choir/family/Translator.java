package choir.family;

import choir.area.CellGrid;
import choir.area.CellMask;
import choir.area.Shape;
import choir.family.Translation.Wish;
import choir.policy.AreaKind;
import choir.policy.Catalogue;
import choir.policy.Effective;
import choir.policy.EffectivePolicy;
import choir.policy.Sensing;
import choir.policy.SettingKey;
import choir.policy.SettingType;
import choir.policy.Sourced;
import choir.policy.Value;
import choir.scale.CountScale;
import choir.scale.Sensitivity;
import choir.scale.Threshold;
import choir.week.Trigger;
import choir.week.TriggerSet;
import choir.week.Week;
import java.math.BigDecimal;
import java.math.RoundingMode;
import java.util.Comparator;
import java.util.EnumSet;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Stream;

/**
 * Turns an effective policy into one recorder family's own values. Rounding never loses footage: buffers and keeping go
 * up, caps go down, a half step of a scale goes to the more sensitive side. What comes out different from what was asked
 * says so; nothing is dropped silently.
 */
public final class Translator {
    private final EffectivePolicy policy;
    private final Family family;
    private final Optional<CellMask> knownMask;

    private Translator(EffectivePolicy policy, Family family, Optional<CellMask> knownMask) {
        this.policy = policy;
        this.family = family;
        this.knownMask = knownMask;
    }

    /**
     * @param knownMask the cells that the camera watches when the policy does not govern areas: those of the last
     *     verified write, else as observed; thresholds are counted over them
     */
    public static Translation translate(EffectivePolicy policy, Family family, Optional<CellMask> knownMask) {
        var translator = new Translator(policy, family, knownMask);
        Map<SettingKey, Wish> wishes = new HashMap<>();
        policy.settings().forEach((key, effective) -> wishes.put(key, translator.wish(key, effective)));
        return new Translation(wishes);
    }

    private Wish wish(SettingKey key, Effective effective) {
        var ability = family.ability(key);
        if (ability.isEmpty()) {
            var title = Catalogue.get(key).title().toLowerCase(java.util.Locale.ROOT);
            return new Wish.Cannot(asked(effective), family.title() + " has no place for \"" + title + "\"");
        }
        return switch (ability.get()) {
            case Ability.Switch s -> exact(new NativeValue.Flag(((Value.Flag) scalar(effective)).on()));
            case Ability.Sense s -> sense(s, ((Value.Sense) scalar(effective)).sensing());
            case Ability.Cells c -> cells(c, ((Value.Share) scalar(effective)).threshold());
            case Ability.Numbers n -> number(key, n, (Value.Amount) scalar(effective));
            case Ability.Pixels p -> pixels(p, ((Value.Share) scalar(effective)).threshold());
            case Ability.Mask m -> exact(new NativeValue.Mask(watched((Effective.Areas) effective, m.grid())));
            case Ability.Lanes l -> lanes(l, ((Effective.Hours) effective).week());
            case Ability.Choice c -> choice(c, scalar(effective).text());
            case Ability.Text t -> exact(new NativeValue.Item(scalar(effective).text()));
        };
    }

    private static String asked(Effective effective) {
        return switch (effective) {
            case Effective.Scalar s -> s.value().value().text();
            case Effective.Hours h -> String.join("; ", choir.week.WeekText.print(h.week()));
            case Effective.Areas a -> String.join(", ", a.byName().keySet());
        };
    }

    private static Value scalar(Effective effective) {
        return ((Effective.Scalar) effective).value().value();
    }

    private static Wish exact(NativeValue value) {
        return new Wish.Wanted(value, Optional.empty());
    }

    private static Wish wanted(NativeValue value, boolean differs, String asked, String got) {
        return new Wish.Wanted(
                value, differs ? Optional.of("asked " + asked + ", the recorder takes " + got) : Optional.empty());
    }

    private Wish sense(Ability.Sense ability, Sensing sensing) {
        if (sensing.auto() && ability.adapts()) {
            return exact(new NativeValue.Item(Ability.Sense.AUTO));
        }
        if (sensing.number().isEmpty()) {
            return new Wish.Cannot(
                    sensing.toString(), family.title() + " cannot adapt its sensitivity; say \"auto, else\" a number");
        }
        var asked = sensing.number().get();
        var most = areaValues(Effective.Area::sensitivity)
                .flatMap(s -> s.number().stream())
                .map(Sensitivity::value)
                .filter(v -> v.compareTo(asked.value()) > 0)
                .max(Comparator.naturalOrder())
                .map(Sensitivity::new);
        var native_ = ability.scale().toNative(most.orElse(asked));
        boolean differs = sensing.auto() || most.isPresent();
        return wanted(
                new NativeValue.Item(native_),
                differs,
                sensing.toString(),
                most.orElse(asked).toString());
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
                                .map(NativeValue::text)
                                .filter(e.getValue()::equals)
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
        var value = new NativeValue.Item(Integer.toString(count));
        return wanted(value, clamped || least.isPresent(), asked.toString(), count + " of " + watched + " " + unit);
    }

    private <T> Stream<T> areaValues(java.util.function.Function<Effective.Area, Optional<Sourced<T>>> field) {
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
                .map(a -> watched(a, grid))
                .or(() -> knownMask)
                .map(CellMask::count)
                .orElse(grid.cells());
    }

    /** Union of the watch areas (all, if there is none) minus the union of the ignore areas. */
    static CellMask watched(Effective.Areas areas, CellGrid grid) {
        var watch = shapes(areas, AreaKind.WATCH).map(s -> s.on(grid)).reduce(CellMask::union);
        var ignore = shapes(areas, AreaKind.IGNORE).map(s -> s.on(grid)).reduce(CellMask::union);
        return watch.orElse(CellMask.all(grid)).minus(ignore.orElse(CellMask.none(grid)));
    }

    private static Stream<Shape> shapes(Effective.Areas areas, AreaKind kind) {
        return areas.byName().values().stream()
                .filter(a -> a.kindOrWatch() == kind)
                .flatMap(a -> a.shape().stream())
                .map(Sourced::value);
    }

    private Wish choice(Ability.Choice ability, String asked) {
        var written = ability.choices().get(asked);
        return written == null
                ? new Wish.Cannot(
                        asked,
                        family.title() + " knows only "
                                + String.join(", ", ability.choices().keySet()))
                : exact(new NativeValue.Item(written));
    }

    private static Wish number(SettingKey key, Ability.Numbers ability, Value.Amount amount) {
        boolean cap = ((SettingType.Amount) Catalogue.get(key).type()).cap();
        int rounded = amount.number()
                .setScale(0, cap ? RoundingMode.FLOOR : RoundingMode.CEILING)
                .intValueExact();
        int taken = ability.allowed().isEmpty()
                ? Math.clamp(rounded, ability.min(), ability.max())
                : nearestAllowed(ability.allowed(), rounded, cap);
        boolean differs = amount.number().compareTo(BigDecimal.valueOf(taken)) != 0;
        return wanted(new NativeValue.Item(Integer.toString(taken)), differs, amount.text(), taken + amount.unit());
    }

    private static int nearestAllowed(List<Integer> allowed, int asked, boolean cap) {
        return cap
                ? allowed.stream()
                        .filter(a -> a <= asked)
                        .max(Comparator.naturalOrder())
                        .orElse(allowed.getFirst())
                : allowed.stream().filter(a -> a >= asked).findFirst().orElse(allowed.getLast());
    }

    private Wish lanes(Ability.Lanes ability, Week<TriggerSet> asked) {
        Week<TriggerSet> taken = asked.map(set -> inLanes(ability, set));
        int cannot = asked.spokenMinutes() - taken.spokenMinutes();
        if (taken.isSilent()) {
            return new Wish.Cannot(
                    String.join("; ", choir.week.WeekText.print(asked)),
                    family.title() + " has no schedule for any of these triggers");
        }
        var different = asked.join(taken, (a, t) -> a == null || a.equals(t) ? null : a);
        var note = different.isSilent()
                ? Optional.<String>empty()
                : Optional.of("asked " + String.join("; ", choir.week.WeekText.print(different))
                        + (cannot > 0 ? "; " + cannot + " minutes a week stay as they are" : "")
                        + ", the recorder takes "
                        + String.join("; ", choir.week.WeekText.print(taken.where(different))));
        return new Wish.Wanted(new NativeValue.Hours(taken), note);
    }

    /** The same set where there is a lane for each member, else the smallest set above it, else nothing. */
    private static @org.jspecify.annotations.Nullable TriggerSet inLanes(Ability.Lanes ability, TriggerSet asked) {
        var members = EnumSet.noneOf(Trigger.class);
        for (var member : asked.members()) {
            var lane = ability.lanes().contains(member)
                    ? Optional.of(member)
                    : Stream.of(Trigger.MOTION, Trigger.ALARM, Trigger.CONTINUOUS)
                            .filter(ability.lanes()::contains)
                            .filter(member::isBelow)
                            .findFirst();
            if (lane.isEmpty()) {
                return null;
            }
            members.add(lane.get());
        }
        return new TriggerSet(members);
    }
}
