package choir.activity;

import choir.activity.Spans.Span;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;

/**
 * What one camera's recorder kept, and saw moving, in a stretch of time that is usually a day. Where a recorder did not say,
 * nothing is known, which is not nothing.
 *
 * @param day the whole stretch
 * @param known of which seconds it said whether there is footage
 * @param runs where there is footage and why; in order, none touching another of the same reason, all within what is known
 * @param motionKnown of which seconds it said whether its detection saw motion
 * @param motion when its detection saw motion
 */
public record DayActivity(Span day, Spans known, List<Run> runs, Spans motionKnown, Spans motion) {
    /** Why footage is there. */
    public enum Why {
        CONTINUOUS,
        MOTION,
        ALARM,
        ANALYTICS,
        /** Motion and an alarm together. */
        BOTH,
        /** Nobody can tell: it is not known what the recorder was set to, or nothing that it was set to explains it. */
        UNEXPLAINED
    }

    /** @param guessed the reason is what it looks like, since what the recorder was set to then is not known */
    public record Run(Span span, Why why, boolean guessed) {
        public Run(Span span, Why why) {
            this(span, why, false);
        }
    }

    public DayActivity {
        runs = List.copyOf(runs);
    }

    public static DayActivity notKnown(Span day) {
        return new DayActivity(day, Spans.NONE, List.of(), Spans.NONE, Spans.NONE);
    }

    public Spans recorded() {
        return Spans.of(runs.stream().map(Run::span).toList());
    }

    /** Seconds recorded, by the reason; reasons without any are left out. */
    public Map<Why, Long> seconds() {
        Map<Why, Long> sums = new EnumMap<>(Why.class);
        runs.forEach(r -> sums.merge(r.why(), r.span().seconds(), Long::sum));
        return sums;
    }
}
