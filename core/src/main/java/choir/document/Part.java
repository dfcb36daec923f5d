package choir.document;

import choir.fleet.Nearest;
import choir.refusal.Refusal;
import java.util.ArrayList;
import java.util.Collection;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Function;
import org.snakeyaml.engine.v2.nodes.MappingNode;
import org.snakeyaml.engine.v2.nodes.Node;
import org.snakeyaml.engine.v2.nodes.ScalarNode;
import org.snakeyaml.engine.v2.nodes.SequenceNode;

/**
 * A part of a YAML document that knows where it stands. Faults go into one list, so that a person sees all of them at
 * once; a part that is faulty comes back empty.
 */
public final class Part {
    private final Node node;
    private final String file;
    private final String path;
    private final List<Fault> faults;

    Part(Node node, String file, String path, List<Fault> faults) {
        this.node = node;
        this.file = file;
        this.path = path;
        this.faults = faults;
    }

    public boolean isText() {
        return node instanceof ScalarNode;
    }

    public boolean isList() {
        return node instanceof SequenceNode;
    }

    /** The part of a key that is known to be there. */
    static Part there(Map<String, Part> keys, String key) {
        var part = keys.get(key);
        if (part == null) {
            throw new IllegalStateException("\"" + key + "\" was looked for before and is not there");
        }
        return part;
    }

    public boolean isMap() {
        return node instanceof MappingNode;
    }

    public void fault(String problem) {
        int line = node.getStartMark().map(m -> m.getLine() + 1).orElse(1);
        int column = node.getStartMark().map(m -> m.getColumn() + 1).orElse(1);
        faults.add(new Fault(file, line, column, path, problem));
    }

    public Optional<String> text() {
        if (node instanceof ScalarNode scalar) {
            return Optional.of(scalar.getValue());
        }
        fault("expected a single value here");
        return Optional.empty();
    }

    /** The text turned into a value; what the function refuses becomes a fault with its message. */
    public <T> Optional<T> text(Function<String, T> reader) {
        return text().flatMap(text -> attempt(() -> reader.apply(text)));
    }

    public <T> Optional<T> attempt(java.util.function.Supplier<T> work) {
        try {
            return Optional.of(work.get());
        } catch (DocumentException e) {
            throw e;
        } catch (NumberFormatException e) {
            fault("a number belongs here");
            return Optional.empty();
        } catch (Refusal e) {
            fault(String.valueOf(e.getMessage()));
            return Optional.empty();
        }
    }

    public List<Part> list() {
        if (!(node instanceof SequenceNode sequence)) {
            fault("expected a list here");
            return List.of();
        }
        List<Part> parts = new ArrayList<>();
        for (var child : sequence.getValue()) {
            parts.add(new Part(child, file, path + "[" + (parts.size() + 1) + "]", faults));
        }
        return parts;
    }

    /** The entries by key, in their order; a key that stands twice is a fault. */
    public Map<String, Part> map() {
        if (!(node instanceof MappingNode mapping)) {
            fault("expected keys and values here");
            return Map.of();
        }
        Map<String, Part> parts = new LinkedHashMap<>();
        for (var tuple : mapping.getValue()) {
            if (!(tuple.getKeyNode() instanceof ScalarNode key)) {
                fault("a key must be a single word");
                continue;
            }
            var name = key.getValue();
            var part = new Part(tuple.getValueNode(), file, path.isEmpty() ? name : path + "." + name, faults);
            if (parts.putIfAbsent(name, part) != null) {
                new Part(key, file, part.path, faults).fault("\"" + name + "\" stands here twice");
            }
        }
        return parts;
    }

    /** The entries, with a fault for each key that is not among the known ones. */
    public Map<String, Part> map(Collection<String> known) {
        var parts = map();
        parts.forEach((key, part) -> {
            if (!known.contains(key)) {
                part.fault("\"" + key + "\" is not known here; expected one of "
                        + String.join(", ", known.stream().sorted().toList()) + Nearest.hint(key, known));
            }
        });
        return parts;
    }
}
