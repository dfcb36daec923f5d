package choir.policy;

import java.util.ArrayList;
import java.util.List;

/**
 * A value with its origin and the candidates that it beat, nearest first.
 *
 * @param fixed nearer layers cannot change it
 */
public record Sourced<T>(T value, Origin origin, boolean fixed, List<Beaten<T>> beaten) {
    public record Beaten<T>(T value, Origin origin) {}

    static <T> Sourced<T> first(T value, Origin origin, boolean fixed) {
        return new Sourced<>(value, origin, fixed, List.of());
    }

    Sourced<T> beatenBy(T nearer, Origin from, boolean fix) {
        List<Beaten<T>> all = new ArrayList<>(beaten.size() + 1);
        all.add(new Beaten<>(value, origin));
        all.addAll(beaten);
        return new Sourced<>(nearer, from, fix, List.copyOf(all));
    }

    Sourced<T> asFixed() {
        return fixed ? this : new Sourced<>(value, origin, true, beaten);
    }
}
