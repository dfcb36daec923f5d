package choir.link;

import choir.link.FootageLink.History;
import choir.link.FootageLink.Stretch;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.EnumMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Stream;

/**
 * What a recorder told of one channel: for each track and job that records, and for each rule of its detection, when it turned
 * on and off. They turn by themselves, so the channel records or moves while any of them is on.
 */
public final class StateLog {
    /** So many tracks, jobs or rules of one channel are told apart; a stranger's further ones are passed over. */
    private static final int MOST_TOLD_APART = 64;

    /** What a state is about. */
    public enum Kind {
        RECORDS,
        MOVES
    }

    /**
     * A state that was told.
     *
     * @param of what turned, as the recorder calls it
     * @param at by the true time
     * @param on whether it is on from then on
     * @param start it was so before; an edge of the same moment is newer
     */
    public record Edge(Kind kind, String of, Instant at, boolean on, boolean start) {}

    private static final Comparator<Edge> IN_ORDER =
            Comparator.comparing(Edge::at).thenComparing(e -> !e.start());

    private final Map<Kind, Map<String, List<Edge>>> told = new EnumMap<>(Kind.class);

    public void add(Edge edge) {
        var ofKind = told.computeIfAbsent(edge.kind(), k -> new LinkedHashMap<>());
        if (ofKind.size() < MOST_TOLD_APART || ofKind.containsKey(edge.of())) {
            ofKind.computeIfAbsent(edge.of(), o -> new ArrayList<>()).add(edge);
        }
    }

    /** The moment of the latest edge. */
    public Optional<Instant> last() {
        return edges().map(Edge::at).max(Comparator.naturalOrder());
    }

    private Stream<Edge> edges() {
        return told.values().stream().flatMap(k -> k.values().stream()).flatMap(List::stream);
    }

    /** Keeps of what was before that moment only how it stood then. */
    public void forgetBefore(Instant moment) {
        told.values()
                .forEach(kind -> kind.replaceAll((of, edges) -> {
                    edges.sort(IN_ORDER);
                    int first = 0;
                    while (first + 1 < edges.size()
                            && !edges.get(first + 1).at().isAfter(moment)) {
                        first++;
                    }
                    return new ArrayList<>(edges.subList(first, edges.size()));
                }));
    }

    /**
     * The stretches of one span.
     *
     * @param until where what is known ends
     * @param whole as in a history
     */
    public History history(Instant from, Instant until, boolean whole) {
        return new History(union(Kind.RECORDS, from, until), union(Kind.MOVES, from, until), whole, until);
    }

    private Optional<List<Stretch>> union(Kind kind, Instant from, Instant until) {
        var each = told.getOrDefault(kind, Map.of()).values().stream()
                .map(edges -> stretches(edges, from, until))
                .toList();
        return each.size() < 2
                ? each.stream().findFirst()
                : Optional.of(joined(each.stream().flatMap(List::stream)));
    }

    private static List<Stretch> joined(Stream<Stretch> stretches) {
        List<Stretch> joined = new ArrayList<>();
        stretches.sorted(Comparator.comparing(Stretch::from)).forEach(next -> {
            if (joined.isEmpty() || next.from().isAfter(joined.getLast().until())) {
                joined.add(next);
            } else {
                var last = joined.removeLast();
                joined.add(new Stretch(last.from(), last.until().isAfter(next.until()) ? last.until() : next.until()));
            }
        });
        return joined;
    }

    /** An edge that repeats the state changes nothing. */
    private static List<Stretch> stretches(List<Edge> edges, Instant from, Instant until) {
        List<Stretch> stretches = new ArrayList<>();
        Optional<Instant> since = Optional.empty();
        for (var edge : edges.stream().sorted(IN_ORDER).toList()) {
            var at = edge.at().isBefore(from) ? from : edge.at().isAfter(until) ? until : edge.at();
            if (edge.on() && since.isEmpty()) {
                since = Optional.of(at);
            } else if (!edge.on() && since.isPresent()) {
                add(stretches, since.get(), at);
                since = Optional.empty();
            }
        }
        since.ifPresent(begin -> add(stretches, begin, until));
        return stretches;
    }

    private static void add(List<Stretch> stretches, Instant from, Instant until) {
        if (from.isBefore(until)) {
            stretches.add(new Stretch(from, until));
        }
    }
}
