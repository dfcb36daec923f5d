package choir.drift;

import choir.area.CellMask;
import choir.area.MaskDifference;
import choir.family.Ability;
import choir.family.Family;
import choir.family.NativeConfig;
import choir.family.NativeValue;
import choir.family.Translation;
import choir.family.Translation.Wish;
import choir.policy.Catalogue;
import choir.policy.SettingKey;
import choir.policy.SettingType;
import choir.week.TriggerSet;
import choir.week.WallClock.SpecialDay;
import choir.week.Week;
import choir.week.WeekDifference;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/**
 * Compares what a camera ought to hold with what it was read to hold, in the recorder's own units, so that rounding is
 * not drift. The cause follows from three values: desired, observed, and the baseline that was last verified.
 */
public final class Drift {
    private final Translation translation;
    private final Family family;
    private final Optional<NativeConfig> observed;
    private final NativeConfig baseline;
    private final Map<SettingKey, Attempt> attempts;

    private Drift(
            Translation translation,
            Family family,
            Optional<NativeConfig> observed,
            NativeConfig baseline,
            Map<SettingKey, Attempt> attempts) {
        this.translation = translation;
        this.family = family;
        this.observed = observed;
        this.baseline = baseline;
        this.attempts = attempts;
    }

    /**
     * @param observed empty when the recorder could not be read
     * @param attempts for a setting the last write that did not read back equal
     * @return one entry for each governed setting, those in tune included
     */
    public static List<Deviation> compare(
            Translation translation,
            Family family,
            Optional<NativeConfig> observed,
            NativeConfig baseline,
            Map<SettingKey, Attempt> attempts) {
        var drift = new Drift(translation, family, observed, baseline, attempts);
        List<Deviation> deviations = new ArrayList<>(translation.wishes().size());
        translation.wishes().forEach((key, wish) -> deviations.add(drift.deviation(key, wish)));
        return deviations;
    }

    private Deviation deviation(SettingKey key, Wish wish) {
        return switch (wish) {
            case Wish.Cannot c ->
                new Deviation(
                        key,
                        Cause.CANNOT_HONOUR,
                        Optional.empty(),
                        Optional.empty(),
                        observed.flatMap(o -> o.get(key)),
                        Cost.NONE,
                        Severity.LOW,
                        Optional.of(c.why() + " (asked " + c.asked() + ")."));
            case Wish.Wanted w -> compared(key, w.value());
        };
    }

    private Deviation compared(SettingKey key, NativeValue desired) {
        var raw = observed.flatMap(o -> o.get(key));
        if (raw.isPresent() && raw.get().equals(desired)) {
            return new Deviation(
                    key, Cause.IN_TUNE, raw, baseline.get(key), raw, Cost.NONE, Severity.LOW, Optional.empty());
        }
        var held = raw.map(o -> governed(desired, o));
        var base = baseline.get(key).map(b -> governed(desired, b));
        var cause = cause(key, desired, base, held);
        var cost = held.filter(h -> cause.isDeviation())
                .map(h -> cost(key, desired, h))
                .orElse(Cost.NONE);
        var severity = cause.isDeviation() ? severity(key, desired, cost) : Severity.LOW;
        return new Deviation(key, cause, Optional.of(desired), base, held, cost, severity, Optional.empty());
    }

    /** A value without the parts that the policy does not govern. */
    static NativeValue governed(NativeValue desired, NativeValue held) {
        return desired instanceof NativeValue.Hours(var want) && held instanceof NativeValue.Hours(var have)
                ? new NativeValue.Hours(have.where(want))
                : held;
    }

    private Cause cause(SettingKey key, NativeValue desired, Optional<NativeValue> base, Optional<NativeValue> held) {
        if (held.isEmpty()) {
            return Cause.UNKNOWN;
        }
        var have = held.get();
        if (have.equals(desired)) {
            return Cause.IN_TUNE;
        }
        var attempt = attempts.get(key);
        if (attempt != null
                && governed(desired, attempt.written()).equals(desired)
                && governed(desired, attempt.readBack()).equals(have)) {
            return Cause.DID_NOT_TAKE;
        }
        if (base.isEmpty()) {
            boolean factory = family.factory(key)
                    .map(f -> governed(desired, f))
                    .filter(have::equals)
                    .isPresent();
            return factory ? Cause.NEVER_TUNED : Cause.NEVER_GIVEN_OUT;
        }
        if (base.get().equals(desired)) {
            return Cause.CHANGED_AT_RECORDER;
        }
        return base.get().equals(have) ? Cause.WAITING : Cause.CHANGED_ON_BOTH_SIDES;
    }

    private Cost cost(SettingKey key, NativeValue desired, NativeValue held) {
        return switch (desired) {
            case NativeValue.Flag(boolean on) -> flag(key, on);
            case NativeValue.Mask(var want) -> {
                var difference = MaskDifference.between(want, ((NativeValue.Mask) held).mask());
                yield new Cost(difference.lost(), difference.gained(), "cells", 0);
            }
            case NativeValue.Hours(var want) -> {
                var difference = WeekDifference.between(want, ((NativeValue.Hours) held).week());
                yield new Cost(
                        difference.minutesOfLoss(),
                        difference.minutesOfWaste(),
                        "minutes a week",
                        difference.minutesWithoutRecording());
            }
            case NativeValue.Zones want -> {
                var difference = MaskDifference.between(cells(key, want), cells(key, (NativeValue.Zones) held));
                yield new Cost(difference.lost(), difference.gained(), "cells", 0);
            }
            case NativeValue.Levels(var want) -> levels(key, want, ((NativeValue.Levels) held).week());
            case NativeValue.SpecialDays(var want) -> specialDays(want, ((NativeValue.SpecialDays) held).days());
            case NativeValue.Item(String want) -> item(key, want, held.text());
        };
    }

    private CellMask cells(SettingKey key, NativeValue.Zones zones) {
        return ((Ability.Zones) family.ability(key).orElseThrow()).cells(zones);
    }

    /** Minutes at which another sensitivity holds; where one week is silent the plain one does. */
    private Cost levels(SettingKey key, Week<String> want, Week<String> have) {
        var scale = ((Ability.Levels) family.ability(key).orElseThrow()).scale();
        var plain =
                translation.wanted(Catalogue.SENSITIVITY).map(NativeValue::text).filter(scale::contains);
        var base = plain.map(Week::always).orElse(Week.silent());
        Week<Integer> steps = want.over(base)
                .join(
                        have.over(base),
                        (a, b) -> a == null && b == null
                                ? null
                                : a == null || b == null || !scale.contains(b) ? 0 : scale.stepsTowardsSensitive(a, b));
        var differing = steps.where(want.join(have, (a, b) -> java.util.Objects.equals(a, b) ? null : Boolean.TRUE));
        return new Cost(differing.minutes(s -> s <= 0), differing.minutes(s -> s >= 0), "minutes a week", 0);
    }

    /** Calendars whose dates or plan differ: of those missing or poorer, and of those richer. */
    private static Cost specialDays(List<SpecialDay> want, List<SpecialDay> have) {
        int loss = 0;
        int waste = 0;
        for (var w : want) {
            var h = have.stream().filter(d -> d.calendar().equals(w.calendar())).findFirst();
            var difference = h.filter(d -> d.dates().equals(w.dates()))
                    .map(d -> WeekDifference.between(w.plan().day(), d.plan().day()));
            loss += difference.map(d -> d.minutesOfLoss() > 0 ? 1 : 0).orElse(1);
            waste += difference.map(d -> d.minutesOfWaste() > 0 ? 1 : 0).orElse(1);
        }
        long beside = have.stream()
                .filter(d -> want.stream().noneMatch(w -> w.calendar().equals(d.calendar())))
                .count();
        return new Cost(loss + (int) beside, waste + (int) beside, "calendars", 0);
    }

    private Cost flag(SettingKey key, boolean wantedOn) {
        int affected = wantedOn ? minutesThatNeed(key) : 0;
        return wantedOn
                ? new Cost(Math.max(1, affected), 0, affected > 0 ? "minutes a week" : "", affected)
                : new Cost(0, 1, "", 0);
    }

    /** Minutes of the desired week in which nothing can record while the switch is off. */
    private int minutesThatNeed(SettingKey key) {
        Week<TriggerSet> week = translation
                .wanted(Catalogue.WEEK)
                .map(v -> ((NativeValue.Hours) v).week())
                .orElse(Week.silent());
        return key.equals(Catalogue.DETECTION)
                ? week.minutes(t -> !t.recordsNothing() && t.members().stream().allMatch(Drift::needsMotion))
                : key.equals(Catalogue.SWITCHED_ON) ? week.minutes(t -> !t.recordsNothing()) : 0;
    }

    private static boolean needsMotion(choir.week.Trigger trigger) {
        return trigger == choir.week.Trigger.MOTION || trigger == choir.week.Trigger.MOTION_AND_ALARM;
    }

    private Cost item(SettingKey key, String want, String have) {
        return switch (family.ability(key).orElseThrow()) {
            case Ability.Sense s ->
                eachArea(
                        want,
                        have,
                        (w, h) -> s.scale().contains(w) && s.scale().contains(h)
                                ? Cost.signed(s.scale().stepsTowardsSensitive(w, h), "steps")
                                : Cost.NONE);
            case Ability.Percent p -> eachArea(want, have, (w, h) -> Cost.signed(number(w) - number(h), "percent"));
            case Ability.Steps s -> Cost.signed(number(want) - number(have), "threshold steps");
            case Ability.Zones z -> Cost.NONE;
            case Ability.Levels l -> Cost.NONE;
            case Ability.SpecialDays d -> Cost.NONE;
            case Ability.Cells c -> Cost.signed(number(want) - number(have), "cells");
            case Ability.Pixels p -> Cost.signed(number(want) - number(have), "pixels");
            case Ability.Numbers n ->
                amount((SettingType.Amount) Catalogue.get(key).type(), number(have) - number(want));
            case Ability.Switch s -> Cost.NONE;
            case Ability.Mask m -> Cost.NONE;
            case Ability.Lanes l -> Cost.NONE;
            case Ability.Choice c -> Cost.NONE;
            case Ability.Text t -> Cost.NONE;
        };
    }

    /** The worst over the areas; one value stands for all of them. */
    private static Cost eachArea(
            String want, String have, java.util.function.BiFunction<String, String, Cost> difference) {
        var wants = want.split(" ");
        var haves = have.split(" ");
        int loss = 0;
        int waste = 0;
        var unit = "";
        for (int i = 0; i < Math.max(wants.length, haves.length); i++) {
            var cost = difference.apply(wants[Math.min(i, wants.length - 1)], haves[Math.min(i, haves.length - 1)]);
            loss = Math.max(loss, cost.loss());
            waste = Math.max(waste, cost.waste());
            unit = cost.unit().isEmpty() ? unit : cost.unit();
        }
        return new Cost(loss, waste, unit, 0);
    }

    private static Cost amount(SettingType.Amount type, int more) {
        return Cost.signed(type.moreLoses() ? -more : more, type.unit());
    }

    private static int number(String text) {
        try {
            return new java.math.BigDecimal(text)
                    .setScale(0, java.math.RoundingMode.HALF_UP)
                    .intValue();
        } catch (NumberFormatException e) {
            return 0;
        }
    }

    private Severity severity(SettingKey key, NativeValue desired, Cost cost) {
        boolean footageAtRisk = cost.minutesWithoutRecording() > 0
                || desired instanceof NativeValue.Mask(var want) && cost.loss() * 10 > want.count()
                || desired instanceof NativeValue.Zones zones
                        && cost.loss() * 10 > cells(key, zones).count();
        boolean lossy = cost.direction() == Cost.Direction.LOSS || cost.direction() == Cost.Direction.BOTH;
        return footageAtRisk ? Severity.HIGH : lossy ? Severity.MEDIUM : Severity.LOW;
    }
}
