package choir.activity;

import choir.week.Trigger;
import choir.week.TriggerSet;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.List;

/**
 * What shall start recording when, over a stretch of true time. Seconds of which nothing is said are in none.
 *
 * @param parts in order, none over another
 */
public record Demand(List<Part> parts) {
    public static final Demand NONE = new Demand(List.of());

    public record Part(Spans.Span span, TriggerSet triggers) {}

    public Demand {
        parts = joined(parts.stream()
                .sorted(Comparator.comparingLong(p -> p.span().from()))
                .toList());
    }

    /** Where one goes on as the one before it, they are one. */
    private static List<Part> joined(List<Part> parts) {
        List<Part> joined = new ArrayList<>();
        for (var part : parts) {
            var last = joined.isEmpty() ? null : joined.getLast();
            if (last != null
                    && last.span().until() == part.span().from()
                    && last.triggers().equals(part.triggers())) {
                joined.set(
                        joined.size() - 1,
                        new Part(new Spans.Span(last.span().from(), part.span().until()), part.triggers()));
            } else {
                joined.add(part);
            }
        }
        return List.copyOf(joined);
    }

    /** When that trigger starts recording. */
    public Spans by(Trigger trigger) {
        return Spans.of(parts.stream()
                .filter(p -> p.triggers().members().contains(trigger))
                .map(Part::span)
                .toList());
    }

    /** When something is said, be it that nothing shall be recorded. */
    public Spans spoken() {
        return Spans.of(parts.stream().map(Part::span).toList());
    }

    /** The same, run by a clock that is so many seconds ahead: all of it comes so much earlier. */
    public Demand byClock(long secondsAhead) {
        return secondsAhead == 0
                ? this
                : new Demand(parts.stream()
                        .map(p -> new Part(
                                new Spans.Span(
                                        p.span().from() - secondsAhead, p.span().until() - secondsAhead),
                                p.triggers()))
                        .toList());
    }

    /** What of it lies between two seconds. */
    public Demand between(long from, long until) {
        return new Demand(parts.stream()
                .filter(p -> p.span().from() < until && p.span().until() > from)
                .map(p -> new Part(
                        new Spans.Span(
                                Math.max(from, p.span().from()),
                                Math.min(until, p.span().until())),
                        p.triggers()))
                .toList());
    }
}
