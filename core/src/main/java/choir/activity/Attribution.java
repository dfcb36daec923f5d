package choir.activity;

import choir.activity.DayActivity.Run;
import choir.activity.DayActivity.Why;
import choir.activity.Spans.Span;
import choir.week.Trigger;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;

/**
 * Why footage is there. Recorders say that it is, and rarely why: the reason follows from what the recorder was set to, by
 * its own clock, and from what its detection saw.
 */
public final class Attribution {
    /** Recorders begin and end a little beside what they were set to. */
    private static final long SLACK = 2;

    private static final long NEAR = 60;
    private static final long LONG = 600;

    /**
     * What the recorder was set to, over a stretch of true time.
     *
     * @param plan by its own clock already
     * @param before seconds that it keeps from before an event
     * @param after seconds that it keeps after it
     */
    public record Held(Demand plan, long before, long after) {}

    private Attribution() {}

    /**
     * @param recorded where there is footage
     * @param motion when its detection saw motion
     * @param held what it was set to, each for a part of the time; where it is not known, nothing, and the reason is guessed
     */
    public static List<Run> of(Spans recorded, Spans motion, List<Held> held) {
        var continuous = Spans.NONE;
        var byMotion = Spans.NONE;
        var byAlarm = Spans.NONE;
        var byAnalytics = Spans.NONE;
        var byBoth = Spans.NONE;
        for (var one : held) {
            continuous = continuous.plus(one.plan().by(Trigger.CONTINUOUS).padded(SLACK, SLACK));
            var seen = motion.and(one.plan().by(Trigger.MOTION));
            byMotion = byMotion.plus(seen.padded(one.before() + SLACK, one.after() + SLACK));
            var both = motion.and(one.plan().by(Trigger.MOTION_AND_ALARM));
            byBoth = byBoth.plus(both.padded(one.before() + SLACK, one.after() + SLACK));
            byAlarm = byAlarm.plus(waiting(one, Trigger.ALARM));
            byAnalytics = byAnalytics.plus(waiting(one, Trigger.ANALYTICS));
        }
        List<Run> runs = new ArrayList<>();
        var told = Spans.NONE;
        for (var one : held) {
            told = told.plus(one.plan().spoken());
        }
        guess(runs, recorded.minus(told), motion);
        var left = recorded.and(told);
        left = take(runs, left, continuous, Why.CONTINUOUS);
        left = take(runs, left, byMotion, Why.MOTION);
        left = take(runs, left, byBoth, Why.BOTH);
        left = take(runs, left, byAlarm, Why.ALARM);
        left = take(runs, left, byAnalytics, Why.ANALYTICS);
        left.list().forEach(span -> runs.add(new Run(span, Why.UNEXPLAINED)));
        runs.sort(Comparator.comparingLong(r -> r.span().from()));
        return runs;
    }

    /**
     * What it looks like where nobody knows what the recorder was set to: footage that is nowhere far from motion was kept for
     * it, and footage that goes on for long without any was kept anyway.
     */
    private static void guess(List<Run> runs, Spans recorded, Spans motion) {
        for (var span : recorded.list()) {
            var whole = Spans.of(span.from(), span.until());
            var quiet = whole.minus(motion.padded(NEAR, NEAR));
            if (quiet.isEmpty()) {
                runs.add(new Run(span, Why.MOTION, true));
            } else {
                boolean goesOn = quiet.list().stream().anyMatch(q -> q.seconds() >= LONG);
                runs.add(new Run(span, goesOn ? Why.CONTINUOUS : Why.UNEXPLAINED, true));
            }
        }
    }

    /** When an alarm input or an analytics rule came is not told, so that all that was kept while it was waited for may be by it. */
    private static Spans waiting(Held held, Trigger trigger) {
        return held.plan().by(trigger).padded(held.before(), held.after());
    }

    private static Spans take(List<Run> runs, Spans left, Spans those, Why why) {
        for (Span span : left.and(those).list()) {
            runs.add(new Run(span, why));
        }
        return left.minus(those);
    }
}
