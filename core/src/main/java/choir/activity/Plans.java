package choir.activity;

import choir.activity.Attribution.Held;
import choir.activity.Spans.Span;
import choir.family.Family;
import choir.family.NativeConfig;
import choir.family.NativeValue;
import choir.family.Translator;
import choir.policy.Calendars;
import choir.policy.Catalogue;
import choir.policy.EffectivePolicy;
import choir.policy.SettingKey;
import choir.policy.Value;
import choir.scale.NativeScalar;
import choir.week.TriggerSet;
import choir.week.WallClock;
import choir.week.WallClock.SpecialDay;
import choir.week.Week;
import java.time.Instant;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/** What policies ask for, and recorders are set to, on the clock. */
public final class Plans {
    private Plans() {}

    /** The week of a policy with the special days of its calendars; silent where it says nothing. */
    public static WallClock wallClock(EffectivePolicy policy, Calendars calendars, ZoneId zone) {
        List<SpecialDay> days = new ArrayList<>();
        policy.specialDays()
                .ifPresent(special -> special.byCalendar()
                        .forEach((calendar, plan) -> calendars
                                .dates(calendar)
                                .ifPresent(d -> days.add(new SpecialDay(calendar, d, plan.value())))));
        return new WallClock(policy.week().orElse(Week.silent()), days, zone);
    }

    /** What a policy asks for; nothing where somebody said that the camera shall not record. */
    public static Demand demanded(
            EffectivePolicy policy, Calendars calendars, ZoneId zone, Instant from, Instant until) {
        return policy.scalar(Catalogue.SWITCHED_ON)
                        .filter(new Value.Flag(false)::equals)
                        .isPresent()
                ? Demand.NONE
                : demand(wallClock(policy, calendars, zone), from, until);
    }

    /**
     * What a recorder of that family is set to when it is given the policy.
     *
     * @return without a week when it cannot take it
     */
    public static NativeConfig given(EffectivePolicy policy, Calendars calendars, Family family) {
        var translation = Translator.translate(policy, family, Optional.empty(), calendars);
        Map<SettingKey, NativeValue> values = new HashMap<>();
        for (var key : List.of(Catalogue.WEEK, Catalogue.SPECIAL_DAYS, Catalogue.SWITCHED_ON)) {
            translation.wanted(key).ifPresent(value -> values.put(key, value));
        }
        return NativeConfig.EMPTY.with(values);
    }

    /**
     * What a recorder was set to, by a right clock. One that does not show when it records says nothing.
     *
     * @param zone by which it went
     */
    public static Held held(NativeConfig held, ZoneId zone, Instant from, Instant until) {
        if (!(held.get(Catalogue.WEEK).orElse(null) instanceof NativeValue.Hours(var week))) {
            return new Held(Demand.NONE, 0, 0);
        }
        List<SpecialDay> days =
                held.get(Catalogue.SPECIAL_DAYS).orElse(null) instanceof NativeValue.SpecialDays(var special)
                        ? special
                        : List.of();
        boolean off = held.get(Catalogue.SWITCHED_ON)
                .filter(new NativeValue.Flag(false)::equals)
                .isPresent();
        var clock =
                off ? new WallClock(Week.always(TriggerSet.NONE), List.of(), zone) : new WallClock(week, days, zone);
        return new Held(
                demand(clock, from, until),
                seconds(held, Catalogue.BEFORE_EVENT),
                seconds(held, Catalogue.AFTER_EVENT));
    }

    private static long seconds(NativeConfig held, SettingKey key) {
        return held.get(key).orElse(null) instanceof NativeValue.Single(NativeScalar.Number(var number))
                ? number.longValue()
                : 0;
    }

    private static Demand demand(WallClock clock, Instant from, Instant until) {
        return new Demand(clock.between(from, until).stream()
                .filter(s -> s.from().getEpochSecond() < s.until().getEpochSecond())
                .map(s -> new Demand.Part(
                        new Span(s.from().getEpochSecond(), s.until().getEpochSecond()), s.triggers()))
                .toList());
    }
}
