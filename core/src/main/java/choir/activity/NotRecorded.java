package choir.activity;

import choir.activity.Spans.Span;
import choir.week.Trigger;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;

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
        /** The recorder cannot do what the policy says; that is told of it elsewhere, and is no fault of the day. */
        CANNOT,
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
     * What a day is compared with.
     *
     * @param policy what was in force
     * @param possible what of it the recorder can be set to
     * @param excused when the recorder was paused, or could not record because it was being written
     * @param held what it was set to, by a right clock; nothing is said in it where that is not known
     * @param secondsAhead by how much its clock was ahead
     */
    public record Past(Demand policy, Demand possible, Spans excused, Demand held, long secondsAhead) {
        public Past(Demand policy, Demand held) {
            this(policy, policy, Spans.NONE, held, 0);
        }
    }

    /** Seconds that are missing and could have been there. */
    public static long seconds(List<Gap> gaps) {
        return gaps.stream()
                .filter(g -> g.cause() != Cause.CANNOT)
                .mapToLong(g -> g.span().seconds())
                .sum();
    }

    /** In order. */
    public static List<Gap> of(DayActivity activity, Past past) {
        var policy = past.policy();
        var excused = past.excused();
        var expected = activity.known().minus(excused);
        var recorded = activity.recorded();
        List<Gap> gaps = new ArrayList<>();
        var continuous = policy.by(Trigger.CONTINUOUS).and(expected);
        for (var span : continuous.minus(recorded).atLeast(SHORTEST).list()) {
            gaps.addAll(caused(span, Trigger.CONTINUOUS, past));
        }
        var awaited = policy.by(Trigger.MOTION).and(expected).minus(continuous);
        for (var event : activity.motion().and(awaited).list()) {
            var missing = Spans.of(event.from(), event.until()).minus(recorded);
            boolean whole = missing.seconds() == event.seconds();
            for (var span : (whole ? missing : missing.atLeast(SHORTEST)).list()) {
                gaps.addAll(caused(span, Trigger.MOTION, past));
            }
        }
        gaps.sort(Comparator.comparingLong(g -> g.span().from()));
        return gaps;
    }

    /** A gap may have one cause in one part and another in the next. */
    private static List<Gap> caused(Span span, Trigger demanded, Past past) {
        List<Gap> gaps = new ArrayList<>();
        var left = Spans.of(span.from(), span.until());
        left = add(gaps, left, left.minus(covering(past.possible(), demanded)), demanded, Cause.CANNOT);
        left = add(gaps, left, left.minus(past.held().spoken()), demanded, Cause.NOT_KNOWN);
        left = add(gaps, left, left.minus(covering(past.held(), demanded)), demanded, Cause.HELD_OTHERWISE);
        if (Math.abs(past.secondsAhead()) > CLOCK_TOLERANCE) {
            var meant = covering(past.policy().byClock(past.secondsAhead()), demanded);
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
