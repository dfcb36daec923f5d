package choir.week;

import java.util.ArrayList;
import java.util.EnumSet;
import java.util.List;
import java.util.Set;
import java.util.stream.Collectors;

/**
 * What starts recording at a given minute: any one of the members does. The empty set records nothing.
 *
 * <p>Sets are kept reduced: a member that records only when another member does already is dropped, so that equal
 * behaviour means equal values.
 */
public record TriggerSet(Set<Trigger> members) {
    public static final TriggerSet NONE = of();
    public static final TriggerSet CONTINUOUS = of(Trigger.CONTINUOUS);
    public static final TriggerSet MOTION = of(Trigger.MOTION);

    public TriggerSet {
        var given = members;
        var kept = EnumSet.noneOf(Trigger.class);
        for (var member : given) {
            if (given.stream().noneMatch(other -> other != member && member.isBelow(other))) {
                kept.add(member);
            }
        }
        members = java.util.Collections.unmodifiableSet(kept);
    }

    public static TriggerSet of(Trigger... triggers) {
        return new TriggerSet(Set.of(triggers));
    }

    public boolean recordsNothing() {
        return members.isEmpty();
    }

    /** True when the other set records at every moment at which this one does. */
    public boolean isBelow(TriggerSet other) {
        return members.stream().allMatch(m -> other.members.stream().anyMatch(m::isBelow));
    }

    public boolean waitsForMotion() {
        return members.contains(Trigger.MOTION) || members.contains(Trigger.MOTION_AND_ALARM);
    }

    public TriggerSet with(TriggerSet other) {
        var all = EnumSet.noneOf(Trigger.class);
        all.addAll(members);
        all.addAll(other.members);
        return new TriggerSet(all);
    }

    /**
     * Reads {@code none} or trigger names with commas between them.
     *
     * @throws WeekTextException naming the word that is not a trigger
     */
    public static TriggerSet parse(String text) {
        if (text.equals("none")) {
            return NONE;
        }
        List<Trigger> found = new ArrayList<>();
        for (var word : text.split(",", -1)) {
            found.add(Trigger.parse(word.strip())
                    .orElseThrow(() -> new WeekTextException("\"" + word.strip()
                            + "\" is not a trigger; expected none, continuous, motion, alarm, analytics,"
                            + " motion+alarm, or several with commas")));
        }
        return new TriggerSet(Set.copyOf(found));
    }

    @Override
    public String toString() {
        return members.isEmpty() ? "none" : members.stream().map(Trigger::text).collect(Collectors.joining(","));
    }
}
