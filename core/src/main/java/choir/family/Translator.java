package choir.family;

import choir.area.CellGrid;
import choir.area.CellMask;
import choir.area.Shape;
import choir.family.Translation.Wish;
import choir.policy.AreaKind;
import choir.policy.Calendars;
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
import choir.week.DayPlan;
import choir.week.TriggerSet;
import choir.week.WallClock.SpecialDay;
import choir.week.Week;
import java.math.BigDecimal;
import java.math.RoundingMode;
import java.util.ArrayList;
import java.util.Comparator;
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

    private final Calendars calendars;
    private Optional<Zoning> zoning = Optional.empty();

    private Translator(EffectivePolicy policy, Family family, Optional<CellMask> knownMask, Calendars calendars) {
        this.policy = policy;
        this.calendars = calendars;
        this.family = family;
        this.knownMask = knownMask;
    }

    /**
     * @param knownMask the cells that the camera watches when the policy does not govern areas: those of the last
     *     verified write, else as observed; thresholds are counted over them
     * @param calendars what the policy's special days speak of
     */
    public static Translation translate(
            EffectivePolicy policy, Family family, Optional<CellMask> knownMask, Calendars calendars) {
        var translator = new Translator(policy, family, knownMask, calendars);
        Map<SettingKey, Wish> wishes = new HashMap<>();
        policy.settings().forEach((key, effective) -> wishes.put(key, translator.wish(key, effective)));
        translator.ofAreasAlone(wishes);
        return new Translation(wishes);
    }

    /** Areas may have values of their own where the policy says nothing for the whole picture. */
    private void ofAreasAlone(Map<SettingKey, Wish> wishes) {
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
                    .flatMap(t -> family.ability(Catalogue.THRESHOLD).map(a -> threshold(a, t)))
                    .ifPresent(wish -> wishes.put(Catalogue.THRESHOLD, wish));
        }
    }

    private Wish threshold(Ability ability, Threshold asked) {
        return switch (ability) {
            case Ability.Cells c -> cells(c, asked);
            case Ability.Pixels p -> pixels(p, asked);
            case Ability.Percent p -> percent(p, asked);
            case Ability.Steps s -> steps(s, asked);
            default -> throw new IllegalStateException("no threshold: " + ability);
        };
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
            case Ability.Cells c -> threshold(c, ((Value.Share) scalar(effective)).threshold());
            case Ability.Percent p -> threshold(p, ((Value.Share) scalar(effective)).threshold());
            case Ability.Steps p -> threshold(p, ((Value.Share) scalar(effective)).threshold());
            case Ability.Zones z -> zones(z, (Effective.Areas) effective);
            case Ability.Levels l -> levels(l, ((Effective.Levels) effective).week());
            case Ability.SpecialDays d -> specialDays(d, (Effective.SpecialDays) effective);
            case Ability.Numbers n -> number(key, n, (Value.Amount) scalar(effective));
            case Ability.Pixels p -> threshold(p, ((Value.Share) scalar(effective)).threshold());
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
            case Effective.Levels l -> String.join("; ", choir.week.WeekText.print(l.week()));
            case Effective.SpecialDays d -> String.join(", ", d.byCalendar().keySet());
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
        if (ability.eachArea()) {
            var native_ = ability.scale().toNative(asked);
            var values = perArea(
                    area -> area.sensitivity()
                            .flatMap(s -> s.value().number())
                            .map(ability.scale()::toNative)
                            .orElse(native_),
                    (a, b) -> ability.scale().stepsTowardsSensitive(a, b) > 0 ? b : a,
                    native_);
            return wanted(new NativeValue.Item(values), sensing.auto(), sensing.toString(), values);
        }
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

    /**
     * One value when all areas have the same, else one for each of the device's areas in their order.
     *
     * @param moreSensitive of two
     * @param plain for an area that stands for none of the policy's
     */
    private String perArea(
            java.util.function.Function<Effective.Area, String> each,
            java.util.function.BinaryOperator<String> moreSensitive,
            String plain) {
        var values = zoning().map(z -> z.sources().stream()
                        .map(areas ->
                                areas.stream().map(each).reduce(moreSensitive).orElse(plain))
                        .toList())
                .orElse(List.of());
        return values.stream().distinct().count() <= 1
                ? values.stream().findFirst().orElse(plain)
                : String.join(" ", values);
    }

    /** The policy's areas on a device that has polygons; empty when it has none or the policy does not speak of areas. */
    private Optional<Zoning> zoning() {
        if (zoning.isEmpty() && family.ability(Catalogue.AREAS).orElse(null) instanceof Ability.Zones ability) {
            zoning = policy.areas().map(areas -> Zoning.of(areas, ability));
        }
        return zoning;
    }

    private Wish zones(Ability.Zones ability, Effective.Areas areas) {
        var found = zoning().orElseGet(() -> Zoning.of(areas, ability));
        return new Wish.Wanted(new NativeValue.Zones(found.zones()), found.note());
    }

    private Wish percent(Ability.Percent ability, Threshold asked) {
        if (!ability.eachArea()) {
            return count(ability.scale(), asked, 100, "percent");
        }
        var plain = whole(ability, asked);
        var values = perArea(
                area -> area.threshold().map(t -> whole(ability, t.value())).orElse(plain),
                (a, b) -> Integer.parseInt(a) <= Integer.parseInt(b) ? a : b,
                plain);
        boolean differs = new BigDecimal(plain).compareTo(asked.percent()) != 0;
        return wanted(new NativeValue.Item(values), differs, asked.toString(), values.replace(" ", "%, ") + "%");
    }

    private static String whole(Ability.Percent ability, Threshold asked) {
        return Integer.toString(ability.scale().toNative(asked, 100));
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
        return wanted(
                new NativeValue.Item(Integer.toString(nearest + 1)),
                !taken.equals(general),
                general.toString(),
                "step " + (nearest + 1) + ", which is " + taken);
    }

    private static BigDecimal distance(Ability.Steps ability, int step, Threshold asked) {
        return ability.percents().get(step).percent().subtract(asked.percent()).abs();
    }

    /** With more values than the device has, all times take the most sensitive. */
    private Wish levels(Ability.Levels ability, Week<Sensitivity> asked) {
        Week<String> each = asked.map(ability.scale()::toNative);
        var values = each.runs().stream().map(Week.Run::value).distinct().toList();
        if (values.size() <= ability.most()) {
            return exact(new NativeValue.Levels(each));
        }
        var most = values.stream()
                .reduce((a, b) -> ability.scale().stepsTowardsSensitive(a, b) > 0 ? b : a)
                .orElseThrow();
        return wanted(
                new NativeValue.Levels(each.map(v -> most)),
                true,
                String.join("; ", choir.week.WeekText.print(asked)),
                most + " at all these times, having " + ability.most() + " beside the plain one");
    }

    private Wish specialDays(Ability.SpecialDays ability, Effective.SpecialDays asked) {
        List<SpecialDay> days = new ArrayList<>();
        var differing = new java.util.StringJoiner("; ");
        for (var entry : asked.byCalendar().entrySet()) {
            var calendar = entry.getKey();
            var plan = entry.getValue().value();
            var dates = calendars.dates(calendar);
            if (dates.isEmpty()) {
                return new Wish.Cannot(calendar, "there is no calendar \"" + calendar + "\"");
            }
            var taken = onSpecialDay(plan);
            if (taken.isEmpty()) {
                return new Wish.Cannot(
                        calendar + ": " + plan, family.title() + " has no schedule for any of these triggers");
            }
            if (!taken.get().equals(plan)) {
                differing.add(calendar + ": " + taken.get());
            }
            days.add(new SpecialDay(calendar, dates.get(), taken.get()));
        }
        if (days.size() > ability.most()) {
            return new Wish.Cannot(asked(asked), family.title() + " has room for " + ability.most() + " calendars");
        }
        return wanted(new NativeValue.SpecialDays(days), differing.length() > 0, asked(asked), differing.toString());
    }

    /** The plan as the device's schedules can hold it; empty when some minute of it cannot. */
    private Optional<DayPlan> onSpecialDay(DayPlan plan) {
        if (!(family.ability(Catalogue.WEEK).orElse(null) instanceof Ability.Lanes lanes)) {
            return Optional.empty();
        }
        var taken = new Schedules(lanes).taken(plan.day());
        return taken.spokenMinutes() == Week.DAY ? Optional.of(new DayPlan(taken)) : Optional.empty();
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
        return union(areas, AreaKind.WATCH, grid)
                .orElse(CellMask.all(grid))
                .minus(union(areas, AreaKind.IGNORE, grid).orElse(CellMask.none(grid)));
    }

    /** The cells of all areas of a kind together; empty when there is no such area. */
    static Optional<CellMask> union(Effective.Areas areas, AreaKind kind, CellGrid grid) {
        return shapes(areas, kind).map(s -> s.on(grid)).reduce(CellMask::union);
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
        Week<TriggerSet> taken = new Schedules(ability).taken(asked);
        int cannot = asked.spokenMinutes() - taken.where(asked).spokenMinutes();
        if (taken.isSilent()) {
            return new Wish.Cannot(
                    String.join("; ", choir.week.WeekText.print(asked)),
                    family.title() + " has no schedule for any of these triggers");
        }
        var different = asked.join(taken, (a, t) -> a == null || a.equals(t) ? null : a);
        int beside = taken.spokenMinutes() - taken.where(asked).spokenMinutes();
        var note = different.isSilent() && beside > 0
                ? Optional.of("the recorder knows only blocks of " + ability.block() + " minutes; " + beside
                        + " minutes a week beside what was asked go with them")
                : different.isSilent()
                        ? Optional.<String>empty()
                        : Optional.of("asked " + String.join("; ", choir.week.WeekText.print(different))
                                + (cannot > 0 ? "; " + cannot + " minutes a week stay as they are" : "")
                                + ", the recorder takes "
                                + String.join("; ", choir.week.WeekText.print(taken.where(different))));
        return new Wish.Wanted(new NativeValue.Hours(taken), note);
    }
}
