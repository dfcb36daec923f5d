package choir.policy;

import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Set;
import java.util.TreeSet;

/**
 * What one template or override says: for each setting a value, or that farther values are dropped. A setting that is
 * not mentioned is left to the farther layers.
 *
 * @param fixed settings that nearer layers cannot change
 */
public record Layer(Map<SettingKey, Statement> statements, Set<SettingKey> fixed) {
    public sealed interface Statement {
        record Set(Value value) implements Statement {}

        /** Drops all farther values; nearer layers start empty. */
        record Unset() implements Statement {}
    }

    public static final Layer EMPTY = new Layer(Map.of(), Set.of());

    public Layer {
        statements = java.util.Collections.unmodifiableMap(new LinkedHashMap<>(statements));
        fixed = java.util.Collections.unmodifiableSet(new TreeSet<>(fixed));
    }

    public static Layer setting(SettingKey key, Value value, boolean fixed) {
        return new Layer(Map.of(key, new Statement.Set(value)), fixed ? Set.of(key) : Set.of());
    }
}
