package choir.activity;

import choir.week.Trigger;
import choir.week.TriggerSet;
import choir.week.Week;
import java.util.ArrayList;
import java.util.BitSet;
import java.util.Comparator;
import java.util.List;
import java.util.Map;

/** What a week of events leaves on the disk of a recorder that goes by a week of trigger sets, to the second. */
public final class RecordedWeek {
    public static final int SECONDS = Week.MINUTES * 60;
    /** A second that is recorded for several reasons is named by the first of these. */
    private static final List<Trigger> ORDER =
            List.of(Trigger.CONTINUOUS, Trigger.MOTION, Trigger.ALARM, Trigger.ANALYTICS, Trigger.MOTION_AND_ALARM);

    /** @param until exclusive; both in seconds from Monday 00:00 */
    public record Span(int from, int until) {
        public Span {
            if (from < 0 || until < from || until > SECONDS) {
                throw new IllegalArgumentException("no span of a week: " + from + " to " + until);
            }
        }
    }

    /** Footage, and why it is there. */
    public record Stretch(Span span, Trigger by) {}

    private RecordedWeek() {}

    /**
     * @param events when motion, an alarm input or analytics were on
     * @param before seconds that are kept from before an event
     * @param after seconds that are kept after it
     * @return in order, none touching another of the same reason
     */
    public static List<Stretch> of(Week<TriggerSet> week, Map<Trigger, List<Span>> events, int before, int after) {
        var taken = new BitSet(SECONDS);
        List<Stretch> stretches = new ArrayList<>();
        for (var trigger : ORDER) {
            var on = on(trigger, events);
            on.and(seconds(week, trigger));
            var fresh = trigger == Trigger.CONTINUOUS ? on : padded(on, before, after);
            fresh.andNot(taken);
            taken.or(fresh);
            spans(fresh).forEach(span -> stretches.add(new Stretch(span, trigger)));
        }
        stretches.sort(Comparator.comparingInt(s -> s.span().from()));
        return List.copyOf(stretches);
    }

    /** When the trigger was on; for both together, when both were. */
    private static BitSet on(Trigger trigger, Map<Trigger, List<Span>> events) {
        return switch (trigger) {
            case CONTINUOUS -> {
                var always = new BitSet(SECONDS);
                always.set(0, SECONDS);
                yield always;
            }
            case MOTION_AND_ALARM -> {
                var both = bits(events.getOrDefault(Trigger.MOTION, List.of()));
                both.and(bits(events.getOrDefault(Trigger.ALARM, List.of())));
                yield both;
            }
            case MOTION, ALARM, ANALYTICS -> bits(events.getOrDefault(trigger, List.of()));
        };
    }

    private static BitSet seconds(Week<TriggerSet> week, Trigger trigger) {
        var bits = new BitSet(SECONDS);
        for (var run : week.runs()) {
            if (run.value().members().contains(trigger)) {
                bits.set(run.from() * 60, run.to() * 60);
            }
        }
        return bits;
    }

    private static BitSet bits(List<Span> spans) {
        var bits = new BitSet(SECONDS);
        spans.forEach(s -> bits.set(s.from(), s.until()));
        return bits;
    }

    private static BitSet padded(BitSet parts, int before, int after) {
        var padded = new BitSet(SECONDS);
        for (var part : spans(parts)) {
            padded.set(Math.max(0, part.from() - before), Math.min(SECONDS, part.until() + after));
        }
        return padded;
    }

    private static List<Span> spans(BitSet bits) {
        List<Span> spans = new ArrayList<>();
        for (int from = bits.nextSetBit(0); from >= 0; ) {
            int until = bits.nextClearBit(from);
            spans.add(new Span(from, until));
            from = bits.nextSetBit(until);
        }
        return spans;
    }
}
