package choir.family;

import choir.week.Trigger;
import choir.week.TriggerSet;
import choir.week.Week;
import java.util.EnumSet;
import java.util.LinkedHashSet;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Stream;

/** What a device's schedules make of trigger sets. Where it cannot take one it takes the smallest that records as much. */
final class Schedules {
    private final Ability.Lanes ability;

    Schedules(Ability.Lanes ability) {
        this.ability = ability;
    }

    /** Silent where the device has nothing that records as much; a block speaks as soon as one of its minutes does. */
    Week<TriggerSet> taken(Week<TriggerSet> asked) {
        if (ability.block() == 1) {
            return asked.map(set -> taken(Set.of(set)).orElse(null));
        }
        Week<TriggerSet> taken = Week.silent();
        for (int from = 0; from < Week.MINUTES; from += ability.block()) {
            int to = from + ability.block();
            var set = taken(within(asked, from, to));
            if (set.isPresent()) {
                taken = taken.paint(from, to, set.get());
            }
        }
        return taken;
    }

    private static Set<TriggerSet> within(Week<TriggerSet> week, int from, int to) {
        Set<TriggerSet> sets = new LinkedHashSet<>();
        week.runs().stream().filter(r -> r.from() < to && r.to() > from).forEach(r -> sets.add(r.value()));
        return sets;
    }

    /** One set that records whenever any of the given ones does; empty when there is none, or nothing was asked. */
    Optional<TriggerSet> taken(Set<TriggerSet> asked) {
        if (asked.isEmpty()) {
            return Optional.empty();
        }
        return ability.single() ? smallest(asked) : joined(asked);
    }

    private Optional<TriggerSet> smallest(Set<TriggerSet> asked) {
        // From the one that records least; on a tie motion.
        var lanes = Stream.of(
                        Trigger.MOTION_AND_ALARM, Trigger.MOTION, Trigger.ALARM, Trigger.ANALYTICS, Trigger.CONTINUOUS)
                .filter(ability.lanes()::contains)
                .map(TriggerSet::of);
        return Stream.concat(ability.off() ? Stream.of(TriggerSet.NONE) : Stream.empty(), lanes)
                .filter(candidate -> asked.stream().allMatch(set -> set.isBelow(candidate)))
                .findFirst();
    }

    private Optional<TriggerSet> joined(Set<TriggerSet> asked) {
        var members = EnumSet.noneOf(Trigger.class);
        for (var set : asked) {
            for (var member : set.members()) {
                var lane = lane(member);
                if (lane.isEmpty()) {
                    return Optional.empty();
                }
                members.add(lane.get());
            }
        }
        return Optional.of(new TriggerSet(members));
    }

    private Optional<Trigger> lane(Trigger member) {
        return ability.lanes().contains(member)
                ? Optional.of(member)
                : Stream.of(Trigger.MOTION, Trigger.ALARM, Trigger.CONTINUOUS)
                        .filter(ability.lanes()::contains)
                        .filter(member::isBelow)
                        .findFirst();
    }
}
