package choir.activity;

import java.time.Instant;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;

/**
 * A set of seconds of true time, as stretches in order of which none touches another. Instants are seconds since 1970, the
 * beginnings inclusive, the ends exclusive.
 */
public final class Spans {
    public static final Spans NONE = new Spans(new long[0]);

    /** One stretch. */
    public record Span(long from, long until) {
        public Span {
            if (from >= until) {
                throw new IllegalArgumentException("no stretch of time: " + from + " to " + until);
            }
        }

        public long seconds() {
            return until - from;
        }

        public Instant begin() {
            return Instant.ofEpochSecond(from);
        }

        public Instant end() {
            return Instant.ofEpochSecond(until);
        }
    }

    /** Beginnings and ends by turns, each later than the one before. */
    private final long[] edges;

    private Spans(long[] edges) {
        this.edges = edges;
    }

    /** Nothing when it ends before it begins. */
    public static Spans of(long from, long until) {
        return from < until ? new Spans(new long[] {from, until}) : NONE;
    }

    /** Their union, in whatever order they come. */
    public static Spans of(List<Span> spans) {
        var sorted = spans.stream()
                .sorted(java.util.Comparator.comparingLong(Span::from))
                .toList();
        var edges = new Edges(sorted.size());
        for (var span : sorted) {
            edges.add(span.from(), span.until());
        }
        return edges.spans();
    }

    /** Takes stretches whose beginnings do not go back. */
    private static final class Edges {
        private long[] edges;
        private int count;

        Edges(int stretches) {
            edges = new long[2 * stretches];
        }

        void add(long from, long until) {
            if (count > 0 && from <= edges[count - 1]) {
                edges[count - 1] = Math.max(edges[count - 1], until);
                return;
            }
            if (count == edges.length) {
                edges = Arrays.copyOf(edges, Math.max(8, 2 * count));
            }
            edges[count++] = from;
            edges[count++] = until;
        }

        Spans spans() {
            return count == 0 ? NONE : new Spans(Arrays.copyOf(edges, count));
        }
    }

    public boolean isEmpty() {
        return edges.length == 0;
    }

    public int count() {
        return edges.length / 2;
    }

    public List<Span> list() {
        List<Span> all = new ArrayList<>(count());
        for (int i = 0; i < edges.length; i += 2) {
            all.add(new Span(edges[i], edges[i + 1]));
        }
        return all;
    }

    public long seconds() {
        long sum = 0;
        for (int i = 0; i < edges.length; i += 2) {
            sum += edges[i + 1] - edges[i];
        }
        return sum;
    }

    public Spans plus(Spans other) {
        if (isEmpty() || other.isEmpty()) {
            return isEmpty() ? other : this;
        }
        var all = new Edges(count() + other.count());
        int mine = 0;
        int theirs = 0;
        while (mine < edges.length || theirs < other.edges.length) {
            if (theirs >= other.edges.length || mine < edges.length && edges[mine] <= other.edges[theirs]) {
                all.add(edges[mine], edges[mine + 1]);
                mine += 2;
            } else {
                all.add(other.edges[theirs], other.edges[theirs + 1]);
                theirs += 2;
            }
        }
        return all.spans();
    }

    /** What is in both. */
    public Spans and(Spans other) {
        var both = new Edges(Math.min(count(), other.count()));
        int mine = 0;
        int theirs = 0;
        while (mine < edges.length && theirs < other.edges.length) {
            long from = Math.max(edges[mine], other.edges[theirs]);
            long until = Math.min(edges[mine + 1], other.edges[theirs + 1]);
            if (from < until) {
                both.add(from, until);
            }
            if (edges[mine + 1] < other.edges[theirs + 1]) {
                mine += 2;
            } else {
                theirs += 2;
            }
        }
        return both.spans();
    }

    public Spans and(long from, long until) {
        return and(of(from, until));
    }

    public Spans minus(Spans other) {
        if (isEmpty() || other.isEmpty()) {
            return this;
        }
        long first = Math.min(edges[0], other.edges[0]) - 1;
        long last = Math.max(edges[edges.length - 1], other.edges[other.edges.length - 1]) + 1;
        return and(other.within(first, last));
    }

    /** What is not in this one. */
    private Spans within(long from, long until) {
        var rest = new Edges(count() + 1);
        long at = from;
        for (int i = 0; i < edges.length; i += 2) {
            if (at < edges[i]) {
                rest.add(at, edges[i]);
            }
            at = edges[i + 1];
        }
        if (at < until) {
            rest.add(at, until);
        }
        return rest.spans();
    }

    /** Each stretch begun so much earlier and ended so much later. */
    public Spans padded(long before, long after) {
        var all = new Edges(count());
        for (int i = 0; i < edges.length; i += 2) {
            all.add(edges[i] - before, edges[i + 1] + after);
        }
        return all.spans();
    }

    /** All of it so much later. */
    public Spans shifted(long seconds) {
        var moved = edges.clone();
        for (int i = 0; i < moved.length; i++) {
            moved[i] += seconds;
        }
        return moved.length == 0 ? NONE : new Spans(moved);
    }

    /** Without the stretches that are shorter. */
    public Spans atLeast(long seconds) {
        var enough = new Edges(count());
        for (int i = 0; i < edges.length; i += 2) {
            if (edges[i + 1] - edges[i] >= seconds) {
                enough.add(edges[i], edges[i + 1]);
            }
        }
        return enough.spans();
    }

    public boolean has(long second) {
        int at = Arrays.binarySearch(edges, second);
        int place = at < 0 ? -at - 2 : at;
        return place >= 0 && place % 2 == 0;
    }

    @Override
    public boolean equals(Object other) {
        return other instanceof Spans spans && Arrays.equals(edges, spans.edges);
    }

    @Override
    public int hashCode() {
        return Arrays.hashCode(edges);
    }

    @Override
    public String toString() {
        return list().toString();
    }
}
