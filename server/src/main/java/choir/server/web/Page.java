package choir.server.web;

import java.util.List;
import java.util.function.Function;
import org.jspecify.annotations.Nullable;

/**
 * A part of a list.
 *
 * @param next the cursor of the following part; missing at the end
 * @param total how many there are in all
 */
public record Page<T>(List<T> items, @Nullable String next, int total) {
    private static final int MOST = 1000;

    /** Refuses a part that is no part or too large. */
    public static int checked(int limit) {
        if (limit < 1 || limit > MOST) {
            throw new Problem(Problem.Kind.INVALID, "limit is 1 to " + MOST + ", not " + limit);
        }
        return limit;
    }

    public <R> Page<R> map(Function<T, R> each) {
        return new Page<>(items.stream().map(each).toList(), next, total);
    }
}
