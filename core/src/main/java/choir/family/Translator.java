package choir.family;

import choir.area.CellMask;
import choir.family.Translation.Wish;
import choir.policy.Calendars;
import choir.policy.Catalogue;
import choir.policy.Effective;
import choir.policy.EffectivePolicy;
import choir.policy.SettingKey;
import choir.policy.SettingType;
import choir.policy.Value;
import choir.scale.NativeScalar;
import choir.scale.Sensitivity;
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

/**
 * Turns an effective policy into one recorder family's own values. Rounding never loses footage: buffers and keeping go
 * up, caps go down, a half step of a scale goes to the more sensitive side. What comes out different from what was asked
 * says so; nothing is dropped silently.
 */
public final class Translator {
    private final Family family;
    private final Watching watching;

    private final Calendars calendars;

    private Translator(EffectivePolicy policy, Family family, Optional<CellMask> knownMask, Calendars calendars) {
        this.calendars = calendars;
        this.family = family;
        this.watching = new Watching(policy, family, knownMask);
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
        translator.watching.ofAreasAlone(wishes);
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
            case Ability.Sense s -> watching.sense(s, ((Value.Sense) scalar(effective)).sensing());
            case Ability.OfThreshold t -> watching.threshold(t, ((Value.Share) scalar(effective)).threshold());
            case Ability.Zones z -> watching.zones(z, (Effective.Areas) effective);
            case Ability.Levels l -> levels(l, ((Effective.Levels) effective).week());
            case Ability.SpecialDays d -> specialDays(d, (Effective.SpecialDays) effective);
            case Ability.Numbers n -> number(key, n, (Value.Amount) scalar(effective));
            case Ability.Mask m -> exact(new NativeValue.Mask(((Effective.Areas) effective).watched(m.grid())));
            case Ability.Lanes l -> lanes(l, ((Effective.Hours) effective).week());
            case Ability.Choice c -> choice(c, scalar(effective).text());
            case Ability.Text t -> exact(NativeValue.word(scalar(effective).text()));
        };
    }

    private static String asked(Effective effective) {
        return switch (effective) {
            case Effective.Scalar s -> s.value().value().text();
            case Effective.Hours h -> String.join("; ", choir.week.WeekText.shortest(h.week()));
            case Effective.Levels l -> String.join("; ", choir.week.WeekText.shortest(l.week()));
            case Effective.SpecialDays d -> String.join(", ", d.byCalendar().keySet());
            case Effective.Areas a -> String.join(", ", a.byName().keySet());
        };
    }

    private static Value scalar(Effective effective) {
        return ((Effective.Scalar) effective).value().value();
    }

    static Wish exact(NativeValue value) {
        return new Wish.Wanted(value, Optional.empty());
    }

    static Wish wanted(NativeValue value, boolean differs, String asked, String got) {
        return new Wish.Wanted(
                value, differs ? Optional.of("asked " + asked + ", the recorder takes " + got) : Optional.empty());
    }

    /** With more values than the device has, all times take the most sensitive. */
    private Wish levels(Ability.Levels ability, Week<Sensitivity> asked) {
        Week<NativeScalar> each = asked.map(ability.scale()::toNative);
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
                String.join("; ", choir.week.WeekText.shortest(asked)),
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

    private Wish choice(Ability.Choice ability, String asked) {
        var written = ability.choices().get(asked);
        return written == null
                ? new Wish.Cannot(
                        asked,
                        family.title() + " knows only "
                                + String.join(", ", ability.choices().keySet()))
                : exact(NativeValue.word(written));
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
        return wanted(
                NativeValue.number(taken),
                differs,
                amount.text(),
                taken + amount.unit().symbol());
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
                    String.join("; ", choir.week.WeekText.shortest(asked)),
                    family.title() + " has no schedule for any of these triggers");
        }
        var different = asked.join(taken, (a, t) -> a == null || a.equals(t) ? null : a);
        int beside = taken.spokenMinutes() - taken.where(asked).spokenMinutes();
        var note = different.isSilent() && beside > 0
                ? Optional.of("the recorder knows only blocks of " + ability.block() + " minutes; " + beside
                        + " minutes a week beside what was asked go with them")
                : different.isSilent()
                        ? Optional.<String>empty()
                        : Optional.of("asked " + String.join("; ", choir.week.WeekText.shortest(different))
                                + (cannot > 0 ? "; " + cannot + " minutes a week stay as they are" : "")
                                + ", the recorder takes "
                                + String.join("; ", choir.week.WeekText.shortest(taken.where(different))));
        return new Wish.Wanted(new NativeValue.Hours(taken), note);
    }
}
