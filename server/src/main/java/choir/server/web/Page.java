package choir.server.web;

import java.util.List;
import java.util.function.Function;

/**
 * A part of a list.
 *
 * @param next the cursor of the following part; missing at the end
 * @param total how many there are in all
 */
public record Page<T>(
        List<T> items, @org.jspecify.annotations.Nullable String next, int total) {
    private static final int MOST = 1000;

    /** The items after the cursor, which is the last item's own key in the order of the list. */
    public static <T> Page<T> of(
            List<T> all, @org.jspecify.annotations.Nullable String after, int limit, Function<T, String> key) {
        if (limit < 1 || limit > MOST) {
            throw new Problem(Problem.Kind.INVALID, "limit is 1 to " + MOST + ", not " + limit);
        }
        int from = 0;
        if (after != null) {
            while (from < all.size() && !key.apply(all.get(from)).equals(after)) {
                from++;
            }
            if (from == all.size()) {
                throw new Problem(Problem.Kind.INVALID, "the cursor \"" + after + "\" is not of this list");
            }
            from++;
        }
        int to = Math.min(all.size(), from + limit);
        var items = List.copyOf(all.subList(from, to));
        return new Page<>(items, to < all.size() ? key.apply(items.getLast()) : null, all.size());
    }

    public <R> Page<R> map(Function<T, R> each) {
        return new Page<>(items.stream().map(each).toList(), next, total);
    }
}
