package choir.policy;

import choir.policy.EffectivePolicy.Blocked;
import choir.policy.Layer.Statement;
import choir.week.DayPlan;
import choir.week.Week;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import org.jspecify.annotations.Nullable;

/**
 * Lays one layer over what the farther ones come to. The nearest to the camera wins, setting by setting; a fixed value
 * binds everything nearer. Weeks layer by the minute, areas by name and field.
 *
 * <p>One step is a pure function of what lies below and the layer, so a group's result is computed once and shared by
 * all that stand under it.
 */
final class Layering {
    private final Map<SettingKey, Effective> settings;
    private final List<Blocked> blocked;
    private final Layer layer;
    private final Origin origin;

    private Layering(EffectivePolicy below, Layer layer, Origin origin) {
        this.settings = new TreeMap<>(below.settings());
        this.blocked = new ArrayList<>(below.blocked());
        this.layer = layer;
        this.origin = origin;
    }

    static EffectivePolicy lay(Layer layer, Origin origin, EffectivePolicy below) {
        if (layer.statements().isEmpty() && layer.fixed().isEmpty()) {
            return below;
        }
        var step = new Layering(below, layer, origin);
        layer.statements().forEach(step::state);
        layer.fixed().stream()
                .filter(key -> !layer.statements().containsKey(key))
                .forEach(step::fix);
        return new EffectivePolicy(step.settings, step.blocked);
    }

    private void state(SettingKey key, Statement statement) {
        switch (statement) {
            case Statement.Unset() -> unset(key);
            case Statement.Set(Value value) -> set(key, value);
        }
    }

    private void set(SettingKey key, Value value) {
        boolean fix = layer.fixed().contains(key);
        var below = settings.get(key);
        switch (value) {
            case Value.Hours hours -> settings.put(key, hours(key, hours, (Effective.Hours) below, fix));
            case Value.Levels levels -> settings.put(key, levels(key, levels, (Effective.Levels) below, fix));
            case Value.SpecialDays days -> {
                // Taking away what nobody stated governs nothing; an empty list says that there are no special days.
                if (below != null || days.plans().isEmpty() || !onlyTakesAway(days)) {
                    settings.put(key, days(key, days, (Effective.SpecialDays) below, fix));
                }
            }
            case Value.Areas areas -> {
                // The same for areas: an empty list watches everything, a mere removal says nothing.
                if (below != null || areas.areas().isEmpty() || !onlyTakesAway(areas)) {
                    settings.put(key, areas(key, areas, (Effective.Areas) below, fix));
                }
            }
            case Value.Flag v -> scalar(key, v, (Effective.Scalar) below, fix);
            case Value.Sense v -> scalar(key, v, (Effective.Scalar) below, fix);
            case Value.Share v -> scalar(key, v, (Effective.Scalar) below, fix);
            case Value.Amount v -> scalar(key, v, (Effective.Scalar) below, fix);
            case Value.Word v -> scalar(key, v, (Effective.Scalar) below, fix);
        }
    }

    private static boolean onlyTakesAway(Value.SpecialDays days) {
        return days.plans().values().stream().allMatch(Optional::isEmpty);
    }

    private static boolean onlyTakesAway(Value.Areas areas) {
        return areas.areas().stream().allMatch(AreaStatement::remove);
    }

    private void scalar(SettingKey key, Value value, Effective.@Nullable Scalar below, boolean fix) {
        if (below == null) {
            settings.put(key, new Effective.Scalar(Sourced.first(value, origin, fix)));
        } else if (!below.value().fixed()) {
            settings.put(key, new Effective.Scalar(below.value().beatenBy(value, origin, fix)));
        } else if (!below.value().value().equals(value)) {
            block(key, below.value().origin());
        }
    }

    private Effective.Hours hours(SettingKey key, Value.Hours hours, Effective.@Nullable Hours below, boolean fix) {
        return new Effective.Hours(
                weekly(key, hours.week(), hours.replace(), below == null ? Week.silent() : below.voices(), fix));
    }

    private Effective.Levels levels(
            SettingKey key, Value.Levels levels, Effective.@Nullable Levels below, boolean fix) {
        return new Effective.Levels(
                weekly(key, levels.week(), levels.replace(), below == null ? Week.silent() : below.voices(), fix));
    }

    /** What speaks of a minute wins for that minute; a fixed minute stays. */
    private <V> Week<Sourced<V>> weekly(
            SettingKey key, Week<V> said, boolean replace, Week<Sourced<V>> below, boolean fix) {
        var under = replace ? onlyFixed(key, below) : below;
        for (var run : under.join(said, Layering::<V>contradictedFixed).runs()) {
            block(key, run.value());
        }
        return under.join(said, (voice, asked) -> {
            if (asked == null || voice != null && voice.fixed()) {
                return voice;
            }
            return voice == null ? Sourced.first(asked, origin, fix) : voice.beatenBy(asked, origin, fix);
        });
    }

    private Effective.SpecialDays days(
            SettingKey key, Value.SpecialDays days, Effective.@Nullable SpecialDays below, boolean fix) {
        Map<String, Sourced<DayPlan>> byCalendar = new LinkedHashMap<>(below == null ? Map.of() : below.byCalendar());
        days.plans().forEach((calendar, plan) -> {
            var voice = byCalendar.get(calendar);
            if (voice != null && voice.fixed()) {
                if (plan.filter(voice.value()::equals).isEmpty()) {
                    block(key, voice.origin());
                }
            } else if (plan.isEmpty()) {
                byCalendar.remove(calendar);
            } else {
                byCalendar.put(
                        calendar,
                        voice == null
                                ? Sourced.first(plan.get(), origin, fix)
                                : voice.beatenBy(plan.get(), origin, fix));
            }
        });
        return new Effective.SpecialDays(byCalendar);
    }

    private static <V> @Nullable Origin contradictedFixed(@Nullable Sourced<V> voice, @Nullable V asked) {
        return voice != null && asked != null && voice.fixed() && !voice.value().equals(asked) ? voice.origin() : null;
    }

    private <V> Week<Sourced<V>> onlyFixed(SettingKey key, Week<Sourced<V>> voices) {
        voices.runs().stream()
                .filter(run -> run.value().fixed())
                .forEach(run -> block(key, run.value().origin()));
        return voices.map(voice -> voice.fixed() ? voice : null);
    }

    private Effective.Areas areas(SettingKey key, Value.Areas areas, Effective.@Nullable Areas below, boolean fix) {
        if (below != null && below.fixed()) {
            if (!areas.areas().stream().allMatch(a -> repeats(below, a))) {
                block(key, anyOrigin(below));
            }
            return below;
        }
        Map<String, Effective.Area> byName = new LinkedHashMap<>(below == null ? Map.of() : below.byName());
        for (var area : areas.areas()) {
            if (area.remove()) {
                byName.remove(area.name());
            } else {
                byName.put(area.name(), field(byName.getOrDefault(area.name(), Effective.Area.BLANK), area, fix));
            }
        }
        return new Effective.Areas(byName, fix);
    }

    /** True when the statement changes nothing of the areas that are there. */
    private static boolean repeats(Effective.Areas below, AreaStatement said) {
        var there = below.byName().get(said.name());
        if (there == null) {
            return said.remove();
        }
        return !said.remove()
                && agrees(said.kind(), there.kind())
                && agrees(said.shape(), there.shape())
                && agrees(said.sensitivity(), there.sensitivity())
                && agrees(said.threshold(), there.threshold());
    }

    private static <T> boolean agrees(Optional<T> said, Optional<Sourced<T>> there) {
        return said.isEmpty() || there.map(Sourced::value).equals(said);
    }

    private Effective.Area field(Effective.Area below, AreaStatement area, boolean fix) {
        return new Effective.Area(
                nearer(below.kind(), area.kind(), fix),
                nearer(below.shape(), area.shape(), fix),
                nearer(below.sensitivity(), area.sensitivity(), fix),
                nearer(below.threshold(), area.threshold(), fix));
    }

    private <T> Optional<Sourced<T>> nearer(Optional<Sourced<T>> below, Optional<T> said, boolean fix) {
        if (said.isEmpty()) {
            return below;
        }
        return Optional.of(below.map(b -> b.beatenBy(said.get(), origin, fix))
                .orElseGet(() -> Sourced.first(said.get(), origin, fix)));
    }

    private void unset(SettingKey key) {
        var below = settings.get(key);
        switch (below) {
            case null -> {}
            case Effective.Scalar s
            when s.value().fixed() -> block(key, s.value().origin());
            case Effective.Areas a when a.fixed() -> block(key, anyOrigin(a));
            case Effective.Hours h -> {
                var kept = onlyFixed(key, h.voices());
                settings.put(key, new Effective.Hours(kept));
                if (kept.isSilent()) {
                    settings.remove(key);
                }
            }
            case Effective.Levels l -> {
                var kept = onlyFixed(key, l.voices());
                settings.put(key, new Effective.Levels(kept));
                if (kept.isSilent()) {
                    settings.remove(key);
                }
            }
            case Effective.SpecialDays d
            when d.byCalendar().values().stream().anyMatch(Sourced::fixed) -> {
                Map<String, Sourced<DayPlan>> kept = new LinkedHashMap<>(d.byCalendar());
                kept.values().removeIf(voice -> !voice.fixed());
                kept.values().forEach(voice -> block(key, voice.origin()));
                settings.put(key, new Effective.SpecialDays(kept));
            }
            case Effective.Scalar s -> settings.remove(key);
            case Effective.SpecialDays d -> settings.remove(key);
            case Effective.Areas a -> settings.remove(key);
        }
    }

    /** A layer may fix what farther layers said without saying it again. */
    private void fix(SettingKey key) {
        settings.computeIfPresent(key, (k, below) -> switch (below) {
            case Effective.Scalar s -> new Effective.Scalar(s.value().asFixed());
            case Effective.Hours h -> new Effective.Hours(h.voices().map(Sourced::asFixed));
            case Effective.Levels l -> new Effective.Levels(l.voices().map(Sourced::asFixed));
            case Effective.SpecialDays d -> {
                Map<String, Sourced<DayPlan>> all = new LinkedHashMap<>(d.byCalendar());
                all.replaceAll((calendar, voice) -> voice.asFixed());
                yield new Effective.SpecialDays(all);
            }
            case Effective.Areas a -> new Effective.Areas(a.byName(), true);
        });
    }

    private Origin anyOrigin(Effective.Areas areas) {
        return areas.byName().values().stream()
                .flatMap(a -> a.shape().map(Sourced::origin).stream())
                .findFirst()
                .orElse(origin);
    }

    private void block(SettingKey key, Origin fixedBy) {
        var entry = new Blocked(key, origin, fixedBy);
        if (!blocked.contains(entry)) {
            blocked.add(entry);
        }
    }
}
