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
import choir.scale.NativeScalar;
import choir.week.Trigger;
import choir.week.TriggerSet;
import choir.week.WallClock.SpecialDay;
import choir.week.Week;
import choir.week.WeekDifference;
import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Objects;
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

    /**
     * How far what is held lies from what is asked, whoever moved: what writing it would end.
     *
     * @param desired what the translation asks for
     */
    public static Distance distance(
            Translation translation, Family family, SettingKey key, NativeValue desired, NativeValue held) {
        var nothing = Optional.<NativeConfig>empty();
        return new Drift(translation, family, nothing, NativeConfig.EMPTY, Map.of())
                .distance(key, desired, governed(desired, held));
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
                        Distance.none(),
                        Severity.LOW,
                        Optional.of(c.why() + " (asked " + c.asked() + ")."));
            case Wish.Wanted w -> compared(key, w.value());
        };
    }

    private Deviation compared(SettingKey key, NativeValue desired) {
        var raw = observed.flatMap(o -> o.get(key));
        if (raw.isPresent() && raw.get().equals(desired)) {
            return new Deviation(
                    key, Cause.IN_TUNE, raw, baseline.get(key), raw, Distance.none(), Severity.LOW, Optional.empty());
        }
        var held = raw.map(o -> governed(desired, o));
        var base = baseline.get(key).map(b -> governed(desired, b));
        var cause = cause(key, desired, base, held);
        Distance distance = held.filter(h -> cause.isDeviation())
                .map(h -> distance(key, desired, h))
                .orElse(Distance.none());
        var severity = cause.isDeviation() ? severity(key, desired, distance) : Severity.LOW;
        return new Deviation(key, cause, Optional.of(desired), base, held, distance, severity, Optional.empty());
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

    /** Values of different kinds, as after a change of the family, have no distance. */
    private Distance distance(SettingKey key, NativeValue desired, NativeValue held) {
        return switch (desired) {
            case NativeValue.Flag(boolean on) -> flag(key, on);
            case NativeValue.Mask(var want) when held instanceof NativeValue.Mask(var have) -> cells(want, have);
            case NativeValue.Hours(var want) when held instanceof NativeValue.Hours(var have) -> week(want, have);
            case NativeValue.Zones want
            when held instanceof NativeValue.Zones have -> cells(cells(key, want), cells(key, have));
            case NativeValue.Levels(var want)
            when held instanceof NativeValue.Levels(var have) -> levels(key, want, have);
            case NativeValue.SpecialDays(var want)
            when held instanceof NativeValue.SpecialDays(var have) -> specialDays(want, have);
            case NativeValue.Single(var want) -> eachArea(key, List.of(want), scalars(held));
            case NativeValue.PerArea(var want) -> eachArea(key, want, scalars(held));
            default -> Distance.none();
        };
    }

    private static List<NativeScalar> scalars(NativeValue value) {
        return switch (value) {
            case NativeValue.Single(var scalar) -> List.of(scalar);
            case NativeValue.PerArea(var values) -> values;
            default -> List.of();
        };
    }

    private static Distance cells(CellMask want, CellMask have) {
        if (!want.grid().equals(have.grid())) {
            return Distance.none();
        }
        var difference = MaskDifference.between(want, have);
        return Distance.Counted.of(Measure.WATCHED_CELLS, difference.lost(), difference.gained());
    }

    private static Distance week(Week<TriggerSet> want, Week<TriggerSet> have) {
        var difference = WeekDifference.between(want, have);
        return new Distance.OfWeek(
                difference.minutesOfLoss(), difference.minutesOfWaste(), difference.minutesWithoutRecording());
    }

    private CellMask cells(SettingKey key, NativeValue.Zones zones) {
        return ((Ability.Zones) family.ability(key).orElseThrow()).cells(zones);
    }

    /** Minutes at which another sensitivity holds; where one week is silent the plain one does. */
    private Distance levels(SettingKey key, Week<NativeScalar> want, Week<NativeScalar> have) {
        var scale = ((Ability.Levels) family.ability(key).orElseThrow()).scale();
        Week<NativeScalar> base = translation.wanted(Catalogue.SENSITIVITY).stream()
                .flatMap(v -> scalars(v).stream())
                .filter(scale::contains)
                .findFirst()
                .map(Week::always)
                .orElse(Week.silent());
        Week<Integer> steps = want.over(base)
                .join(
                        have.over(base),
                        (a, b) -> a == null && b == null
                                ? null
                                : a == null || b == null || !scale.contains(b) ? 0 : scale.stepsTowardsSensitive(a, b));
        var differing = steps.where(want.join(have, (a, b) -> Objects.equals(a, b) ? null : Boolean.TRUE));
        return new Distance.OfWeek(differing.minutes(s -> s <= 0), differing.minutes(s -> s >= 0), 0);
    }

    /** Calendars whose dates or plan differ: of those missing or poorer, and of those richer. */
    private static Distance specialDays(List<SpecialDay> want, List<SpecialDay> have) {
        int loss = 0;
        int waste = 0;
        int without = 0;
        for (var w : want) {
            var h = have.stream().filter(d -> d.calendar().equals(w.calendar())).findFirst();
            var difference = h.filter(d -> d.dates().equals(w.dates()))
                    .map(d -> WeekDifference.between(w.plan().day(), d.plan().day()));
            loss += difference.map(d -> d.minutesOfLoss() > 0 ? 1 : 0).orElse(1);
            waste += difference.map(d -> d.minutesOfWaste() > 0 ? 1 : 0).orElse(1);
            without += difference.map(WeekDifference::minutesWithoutRecording).orElse(0);
        }
        int beside = (int) have.stream()
                .filter(d -> want.stream().noneMatch(w -> w.calendar().equals(d.calendar())))
                .count();
        return new Distance.Counted(
                Measure.CALENDARS, BigDecimal.valueOf(loss + beside), BigDecimal.valueOf(waste + beside), without);
    }

    private Distance flag(SettingKey key, boolean wantedOn) {
        int affected = wantedOn ? minutesThatNeed(key) : 0;
        return affected > 0
                ? new Distance.OfWeek(affected, 0, affected)
                : Distance.Counted.of(Measure.SWITCHES, wantedOn ? 1 : 0, wantedOn ? 0 : 1);
    }

    /** Minutes of the desired week in which nothing can record while the switch is off. */
    private int minutesThatNeed(SettingKey key) {
        Week<TriggerSet> week =
                translation.wanted(Catalogue.WEEK).orElse(null) instanceof NativeValue.Hours(var w) ? w : Week.silent();
        return key.equals(Catalogue.DETECTION)
                ? week.minutes(t -> !t.recordsNothing() && t.members().stream().allMatch(Drift::needsMotion))
                : key.equals(Catalogue.SWITCHED_ON) ? week.minutes(t -> !t.recordsNothing()) : 0;
    }

    private static boolean needsMotion(Trigger trigger) {
        return trigger == Trigger.MOTION || trigger == Trigger.MOTION_AND_ALARM;
    }

    /** The worst over the areas; one value stands for all of them. */
    private Distance eachArea(SettingKey key, List<NativeScalar> wants, List<NativeScalar> haves) {
        Distance worst = Distance.none();
        for (int i = 0; i < Math.max(wants.size(), haves.size()) && !haves.isEmpty(); i++) {
            var one = one(key, wants.get(Math.min(i, wants.size() - 1)), haves.get(Math.min(i, haves.size() - 1)));
            worst = switch (one) {
                case Distance.Counted c ->
                    new Distance.Counted(
                            c.measure(), c.loss().max(worst.loss()), c.waste().max(worst.waste()), 0);
                case Distance.OfWeek w -> w;
                case Distance.None n -> worst;
            };
        }
        return worst;
    }

    private Distance one(SettingKey key, NativeScalar want, NativeScalar have) {
        return switch (family.ability(key).orElseThrow()) {
            case Ability.Sense s ->
                s.scale().contains(want) && s.scale().contains(have)
                        ? Distance.Counted.signed(
                                Measure.STEPS, BigDecimal.valueOf(s.scale().stepsTowardsSensitive(want, have)))
                        : Distance.none();
            case Ability.OfThreshold t -> more(want, have, measure(t), true);
            case Ability.Numbers n ->
                amount((SettingType.Amount) Catalogue.get(key).type(), want, have);
            case Ability.Switch s -> Distance.none();
            case Ability.OfAreas a -> Distance.none();
            case Ability.OfTime t -> Distance.none();
            case Ability.Choice c -> Distance.none();
            case Ability.Text t -> Distance.none();
        };
    }

    private static Measure measure(Ability.OfThreshold threshold) {
        return switch (threshold) {
            case Ability.Cells c -> Measure.CELLS;
            case Ability.Pixels p -> Measure.PIXELS;
            case Ability.Percent p -> Measure.PERCENT;
            case Ability.Steps s -> Measure.THRESHOLD_STEPS;
        };
    }

    private static Distance amount(SettingType.Amount type, NativeScalar want, NativeScalar have) {
        return more(want, have, Measure.of(type.unit()), type.moreLoses());
    }

    /** A word where a number belongs, such as {@code unlimited}, is neither more nor less. */
    private static Distance more(NativeScalar want, NativeScalar have, Measure measure, boolean moreLoses) {
        if (want instanceof NativeScalar.Number(var w) && have instanceof NativeScalar.Number(var h)) {
            var more = h.subtract(w);
            return Distance.Counted.signed(measure, moreLoses ? more.negate() : more);
        }
        return Distance.none();
    }

    private Severity severity(SettingKey key, NativeValue desired, Distance distance) {
        boolean footageAtRisk = distance.minutesWithoutRecording() > 0
                || watched(key, desired)
                        .filter(w ->
                                distance.loss().multiply(BigDecimal.TEN).compareTo(BigDecimal.valueOf(w.count())) > 0)
                        .isPresent();
        return footageAtRisk ? Severity.HIGH : distance.loses() ? Severity.MEDIUM : Severity.LOW;
    }

    private Optional<CellMask> watched(SettingKey key, NativeValue desired) {
        return switch (desired) {
            case NativeValue.Mask(var want) -> Optional.of(want);
            case NativeValue.Zones zones -> Optional.of(cells(key, zones));
            case NativeValue.Flag f -> Optional.empty();
            case NativeValue.Single s -> Optional.empty();
            case NativeValue.PerArea p -> Optional.empty();
            case NativeValue.Hours h -> Optional.empty();
            case NativeValue.Levels l -> Optional.empty();
            case NativeValue.SpecialDays d -> Optional.empty();
        };
    }
}
