package choir.survey;

import choir.area.CellMask;
import choir.area.Shape;
import choir.family.Ability;
import choir.family.Family;
import choir.family.NativeConfig;
import choir.family.NativeValue;
import choir.family.Zone;
import choir.policy.AreaKind;
import choir.policy.AreaStatement;
import choir.policy.Calendars;
import choir.policy.Catalogue;
import choir.policy.Sensing;
import choir.policy.SettingKey;
import choir.policy.SettingType;
import choir.policy.Value;
import choir.refusal.Refusal;
import choir.scale.NativeScalar;
import choir.scale.Threshold;
import choir.week.DayPlan;
import choir.week.WallClock.SpecialDay;
import java.math.BigDecimal;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/** What a policy would have to say for a device to hold what it holds. Empty when nothing that it can say leads there. */
public final class Neutral {
    private final Family family;
    private final NativeConfig held;
    private final Calendars calendars;

    public Neutral(Family family, NativeConfig held, Calendars calendars) {
        this.calendars = calendars;
        this.family = family;
        this.held = held;
    }

    public Optional<Value> of(SettingKey key) {
        var ability = family.ability(key);
        var value = held.get(key);
        if (ability.isEmpty() || value.isEmpty()) {
            return Optional.empty();
        }
        try {
            return said(key, ability.get(), value.get());
        } catch (Refusal | ArithmeticException outOfRange) {
            return Optional.empty();
        }
    }

    private Optional<Value> said(SettingKey key, Ability ability, NativeValue value) {
        return switch (value) {
            case NativeValue.Flag(boolean on) -> Optional.of(new Value.Flag(on));
            case NativeValue.Mask(var mask) -> Optional.of(areas(mask));
            case NativeValue.Hours(var week) -> Optional.of(new Value.Hours(week, false));
            case NativeValue.Zones(var zones) -> areas(zones, (Ability.Zones) ability);
            case NativeValue.Levels(var week) ->
                Optional.of(new Value.Levels(week.map(((Ability.Levels) ability).scale()::toNeutral), true));
            case NativeValue.SpecialDays(var days) -> specialDays(days);
            case NativeValue.Single(var scalar) -> single(key, ability, scalar);
            // Which of several values stands for the picture does not matter, since each area says its own.
            case NativeValue.PerArea(var values) -> single(key, ability, values.getFirst());
        };
    }

    private Optional<Value> single(SettingKey key, Ability ability, NativeScalar held) {
        return switch (ability) {
            case Ability.Sense s -> Optional.of(new Value.Sense(sensing(s, held)));
            case Ability.OfThreshold t -> Optional.of(new Value.Share(threshold(t, number(held))));
            case Ability.Numbers n -> Optional.of(amount(key, number(held)));
            case Ability.Choice c ->
                c.choices().entrySet().stream()
                        .filter(e -> e.getValue().equals(held.toString()))
                        .findFirst()
                        .map(e -> new Value.Word(e.getKey()));
            case Ability.Text t ->
                Optional.of(((SettingType.Scalar) Catalogue.get(key).type()).parse(held.toString()));
            case Ability.Switch s -> Optional.empty();
            case Ability.OfAreas a -> Optional.empty();
            case Ability.OfTime t -> Optional.empty();
        };
    }

    private Threshold threshold(Ability.OfThreshold ability, BigDecimal held) {
        return switch (ability) {
            case Ability.Cells c -> c.scale().toNeutral(held.intValueExact(), watchedCells());
            case Ability.Pixels p -> p.scale().toNeutral(held.intValueExact(), watchedPixels(p));
            case Ability.Percent p -> new Threshold(held);
            case Ability.Steps s -> step(s, held.intValueExact());
        };
    }

    private static Threshold step(Ability.Steps ability, int step) {
        if (step < 1 || step > ability.percents().size()) {
            throw new Refusal(step + " is none of the " + ability.percents().size() + " steps");
        }
        return ability.percents().get(step - 1);
    }

    private static BigDecimal number(NativeScalar held) {
        return switch (held) {
            case NativeScalar.Number(var number) -> number;
            case NativeScalar.Word word -> throw new Refusal("\"" + word + "\" is no number");
        };
    }

    private static Sensing sensing(Ability.Sense ability, NativeScalar held) {
        return held.equals(Ability.Sense.AUTO)
                ? new Sensing(true, Optional.empty())
                : new Sensing(false, Optional.of(ability.scale().toNeutral(held)));
    }

    private static Value amount(SettingKey key, BigDecimal held) {
        var type = (SettingType.Amount) Catalogue.get(key).type();
        return type.parse(held.toPlainString() + type.unit());
    }

    private int watchedCells() {
        return held.get(Catalogue.AREAS)
                .filter(NativeValue.Mask.class::isInstance)
                .map(m -> ((NativeValue.Mask) m).mask().count())
                .orElse(1);
    }

    /** Of the whole picture at the size at which the device says that it analyses. */
    private int watchedPixels(Ability.Pixels ability) {
        var size = of(Catalogue.ANALYSE_SIZE).map(Value::text).orElse("1").split("/");
        int divisor = size.length > 1 ? Integer.parseInt(size[1]) : 1;
        long picture = (long) (ability.fullWidth() / divisor) * (ability.fullHeight() / divisor);
        return held.get(Catalogue.AREAS)
                .filter(NativeValue.Mask.class::isInstance)
                .map(m -> ((NativeValue.Mask) m).mask())
                .map(m -> (int) (picture * m.count() / m.grid().cells()))
                .orElse((int) picture);
    }

    /** Each with its own values where the device's areas do not all have the same. */
    private Optional<Value> areas(List<Zone> zones, Ability.Zones ability) {
        if (zones.isEmpty()) {
            return Optional.of(areas(CellMask.none(ability.grid())));
        }
        var sensitivities = sensitivities(zones.size());
        var thresholds = thresholds(zones.size());
        List<AreaStatement> areas = new ArrayList<>();
        for (int i = 0; i < zones.size(); i++) {
            var zone = zones.get(i);
            areas.add(new AreaStatement(
                    zone.title(),
                    false,
                    Optional.of(AreaKind.WATCH),
                    Optional.of(new Shape.Polygon(zone.corners().stream()
                            .map(c -> new Shape.Point(
                                    (double) c.x() / ability.resolution(), (double) c.y() / ability.resolution()))
                            .toList())),
                    sensitivities.isEmpty() ? Optional.empty() : Optional.of(sensitivities.get(i)),
                    thresholds.isEmpty() ? Optional.empty() : Optional.of(thresholds.get(i))));
        }
        boolean twice = areas.stream().map(AreaStatement::name).distinct().count() < areas.size();
        return twice ? Optional.empty() : Optional.of(new Value.Areas(areas));
    }

    /** The values of a setting by area; empty when all areas have the same. */
    private List<NativeScalar> each(SettingKey key, int areas) {
        return held.get(key).orElse(null) instanceof NativeValue.PerArea(var values) && values.size() == areas
                ? values
                : List.of();
    }

    /**
     * What each of a device's areas says for itself, in their order.
     *
     * @return as many as there are areas; empty when all have the same
     */
    public List<Sensing> sensitivities(int areas) {
        return family.ability(Catalogue.SENSITIVITY).orElse(null) instanceof Ability.Sense s
                ? each(Catalogue.SENSITIVITY, areas).stream()
                        .map(v -> sensing(s, v))
                        .toList()
                : List.of();
    }

    /** As {@link #sensitivities}. */
    public List<Threshold> thresholds(int areas) {
        return each(Catalogue.THRESHOLD, areas).stream()
                .map(v -> new Threshold(number(v)))
                .toList();
    }

    /** By calendars that are there with these very dates; any other cannot be said. */
    private Optional<Value> specialDays(List<SpecialDay> days) {
        Map<String, Optional<DayPlan>> plans = new LinkedHashMap<>();
        for (var day : days) {
            if (calendars.dates(day.calendar()).filter(day.dates()::equals).isEmpty()) {
                return Optional.empty();
            }
            plans.put(day.calendar(), Optional.of(day.plan()));
        }
        return plans.isEmpty() ? Optional.empty() : Optional.of(new Value.SpecialDays(plans));
    }

    private static Value areas(CellMask mask) {
        if (mask.count() == mask.grid().cells()) {
            return new Value.Areas(List.of());
        }
        boolean nothing = mask.count() == 0;
        return new Value.Areas(List.of(new AreaStatement(
                "as found",
                false,
                Optional.of(nothing ? AreaKind.IGNORE : AreaKind.WATCH),
                Optional.of(new Shape.Cells(nothing ? mask.complement() : mask)),
                Optional.empty(),
                Optional.empty())));
    }
}
