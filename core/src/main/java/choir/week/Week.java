package choir.week;

import choir.refusal.Refusal;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Objects;
import java.util.Optional;
import java.util.function.BiFunction;
import java.util.function.Function;
import java.util.function.Predicate;
import org.jspecify.annotations.Nullable;

/**
 * A function from the 10,080 minutes of a week, Monday 00:00 first, to a value or to nothing.
 *
 * <p>It is kept as runs: {@code starts[i]} is the first minute of run {@code i}, which lasts until the next start.
 * Invariants: the first run starts at 0, neighbours differ, an absent value is null inside and never shown outside.
 * Two weeks that say the same at every minute are therefore equal.
 */
public final class Week<V> {
    public static final int MINUTES = 7 * 24 * 60;
    public static final int DAY = 24 * 60;

    /** One stretch of minutes with one value. {@code from} is inclusive, {@code to} exclusive. */
    public record Run<V>(int from, int to, V value) {
        public int minutes() {
            return to - from;
        }
    }

    private final int[] starts;
    private final @Nullable Object[] values;

    private Week(int[] starts, @Nullable Object[] values) {
        this.starts = starts;
        this.values = values;
    }

    /** A week of which nothing is said. */
    public static <V> Week<V> silent() {
        return new Week<>(new int[] {0}, new Object[] {null});
    }

    public static <V> Week<V> always(V value) {
        return new Week<>(new int[] {0}, new Object[] {Objects.requireNonNull(value)});
    }

    /** The runs, painted one after the other on a silent week. */
    public static <V> Week<V> of(List<Run<V>> runs) {
        Week<V> week = silent();
        for (var run : runs) {
            week = week.paint(run.from(), run.to(), run.value());
        }
        return week;
    }

    /** This week with the value from {@code from} to {@code to} (exclusive, at most the end of the week). */
    public Week<V> paint(int from, int to, V value) {
        if (from < 0 || to > MINUTES || from >= to) {
            throw new Refusal("minutes " + from + " to " + to + " are no stretch of a week");
        }
        var brush = new Builder<V>();
        if (from > 0) {
            brush.add(0, null);
        }
        brush.add(from, Objects.requireNonNull(value));
        if (to < MINUTES) {
            brush.add(to, null);
        }
        return brush.build().over(this);
    }

    /** At each minute what this week says, or where it is silent what the one below says. */
    public Week<V> over(Week<V> below) {
        return join(below, (mine, theirs) -> mine != null ? mine : theirs);
    }

    /** A week made minute by minute from two; both functions' arguments and results may be absent (null). */
    public <B, R> Week<R> join(Week<B> other, BiFunction<@Nullable V, @Nullable B, @Nullable R> each) {
        var result = new Builder<R>();
        int i = 0;
        int j = 0;
        int minute = 0;
        while (minute < MINUTES) {
            result.add(minute, each.apply(value(i), other.value(j)));
            int endOfMine = end(i);
            int endOfTheirs = other.end(j);
            minute = Math.min(endOfMine, endOfTheirs);
            if (endOfMine == minute) {
                i++;
            }
            if (endOfTheirs == minute) {
                j++;
            }
        }
        return result.build();
    }

    public <R> Week<R> map(Function<V, @Nullable R> each) {
        var result = new Builder<R>();
        for (int i = 0; i < starts.length; i++) {
            V value = value(i);
            result.add(starts[i], value == null ? null : each.apply(value));
        }
        return result.build();
    }

    /** This week where the other one speaks, silent elsewhere. */
    public Week<V> where(Week<?> mask) {
        return join(mask, (mine, theirs) -> theirs == null ? null : mine);
    }

    /** This week with a value wherever it was silent. */
    public Week<V> orElse(V value) {
        return over(always(value));
    }

    public Optional<V> at(int minute) {
        Objects.checkIndex(minute, MINUTES);
        int found = Arrays.binarySearch(starts, minute);
        return Optional.ofNullable(value(found >= 0 ? found : -found - 2));
    }

    /** The stretches of which something is said, in order; equal neighbours are one run. */
    public List<Run<V>> runs() {
        List<Run<V>> runs = new ArrayList<>(starts.length);
        for (int i = 0; i < starts.length; i++) {
            V value = value(i);
            if (value != null) {
                runs.add(new Run<>(starts[i], end(i), value));
            }
        }
        return List.copyOf(runs);
    }

    /** How many minutes have a value that the condition holds for. */
    public int minutes(Predicate<V> condition) {
        int sum = 0;
        for (var run : runs()) {
            if (condition.test(run.value())) {
                sum += run.minutes();
            }
        }
        return sum;
    }

    public int spokenMinutes() {
        return minutes(v -> true);
    }

    public boolean isSilent() {
        return starts.length == 1 && values[0] == null;
    }

    @SuppressWarnings("unchecked")
    private @Nullable V value(int run) {
        return (V) values[run];
    }

    private int end(int run) {
        return run + 1 < starts.length ? starts[run + 1] : MINUTES;
    }

    @Override
    public boolean equals(@Nullable Object other) {
        return other instanceof Week<?> week
                && Arrays.equals(starts, week.starts)
                && Arrays.equals(values, week.values);
    }

    @Override
    public int hashCode() {
        return 31 * Arrays.hashCode(starts) + Arrays.hashCode(values);
    }

    @Override
    public String toString() {
        return runs().toString();
    }

    private static final class Builder<V> {
        private int[] starts = new int[8];
        private @Nullable Object[] values = new Object[8];
        private int size;

        void add(int start, @Nullable V value) {
            if (size > 0 && Objects.equals(values[size - 1], value)) {
                return;
            }
            if (size == starts.length) {
                starts = Arrays.copyOf(starts, size * 2);
                values = Arrays.copyOf(values, size * 2);
            }
            starts[size] = start;
            values[size++] = value;
        }

        Week<V> build() {
            return new Week<>(Arrays.copyOf(starts, size), Arrays.copyOf(values, size));
        }
    }
}
