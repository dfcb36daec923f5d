package choir.activity;

import choir.activity.Spans.Span;
import choir.week.Trigger;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;

/**
 * What had to be recorded and was not. Only of seconds of which a policy spoke and the recorder tells; what is not known, and
 * what nobody governs, is never missing.
 */
public final class NotRecorded {
    /** Shorter ones are how recorders cut their files. */
    private static final long SHORTEST = 5;

    private static final long CLOCK_TOLERANCE = 30;

    /** Why it is missing, as far as it can be told. */
    public enum Cause {
        /** Its clock was wrong, so its schedule ran at another time. */
        CLOCK,
        /** It was set to something else than the policy said. */
        HELD_OTHERWISE,
        /** It was set as the policy said, and did not record all the same. */
        SET_AND_SILENT,
        /** What it was set to is not known. */
        NOT_KNOWN
    }

    /**
     * A stretch without footage.
     *
     * @param demanded by what it had to be recorded: continuous, or an event that its detection saw
     */
    public record Gap(Span span, Trigger demanded, Cause cause) {}

    private NotRecorded() {}

    /**
     * @param policy what was in force
     * @param excused when the recorder was paused, or could not record because it was being written
     * @param held what it was set to, by a right clock; empty where that is not known
     * @param secondsAhead by how much its clock was ahead
     * @return in order
     */
    public static List<Gap> of(
            DayActivity activity, Demand policy, Spans excused, Optional<Demand> held, long secondsAhead) {
        var expected = activity.known().minus(excused);
        var recorded = activity.recorded();
        List<Gap> gaps = new ArrayList<>();
        var continuous = policy.by(Trigger.CONTINUOUS).and(expected);
        for (var span : continuous.minus(recorded).atLeast(SHORTEST).list()) {
            gaps.addAll(caused(span, Trigger.CONTINUOUS, policy, held, secondsAhead));
        }
        var awaited = policy.by(Trigger.MOTION).and(expected).minus(continuous);
        for (var event : activity.motion().and(awaited).list()) {
            var missing = Spans.of(event.from(), event.until()).minus(recorded);
            boolean whole = missing.seconds() == event.seconds();
            for (var span : (whole ? missing : missing.atLeast(SHORTEST)).list()) {
                gaps.addAll(caused(span, Trigger.MOTION, policy, held, secondsAhead));
            }
        }
        gaps.sort(Comparator.comparingLong(g -> g.span().from()));
        return gaps;
    }

    /** A gap may have one cause in one part and another in the next. */
    private static List<Gap> caused(
            Span span, Trigger demanded, Demand policy, Optional<Demand> held, long secondsAhead) {
        var whole = Spans.of(span.from(), span.until());
        if (held.isEmpty()) {
            return List.of(new Gap(span, demanded, Cause.NOT_KNOWN));
        }
        List<Gap> gaps = new ArrayList<>();
        var known = held.get().spoken();
        var did = covering(held.get(), demanded);
        var left = add(gaps, whole, whole.minus(known), demanded, Cause.NOT_KNOWN);
        left = add(gaps, left, left.minus(did), demanded, Cause.HELD_OTHERWISE);
        if (Math.abs(secondsAhead) > CLOCK_TOLERANCE) {
            var meant = covering(policy.byClock(secondsAhead), demanded);
            left = add(gaps, left, left.minus(meant), demanded, Cause.CLOCK);
        }
        add(gaps, left, left, demanded, Cause.SET_AND_SILENT);
        return gaps;
    }

    private static Spans covering(Demand plan, Trigger demanded) {
        return demanded == Trigger.CONTINUOUS
                ? plan.by(Trigger.CONTINUOUS)
                : plan.by(Trigger.CONTINUOUS).plus(plan.by(demanded));
    }

    private static Spans add(List<Gap> gaps, Spans left, Spans those, Trigger demanded, Cause cause) {
        for (var span : those.list()) {
            gaps.add(new Gap(span, demanded, cause));
        }
        return left.minus(those);
    }
}
