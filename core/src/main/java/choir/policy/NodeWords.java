package choir.policy;

import java.util.List;
import java.util.Set;

/**
 * What is said straight at one node: templates in their order, and overrides.
 *
 * @param notUnderstood settings of which something is said here that cannot be understood, as they are stored
 */
public record NodeWords(List<TemplateName> uses, List<PolicyOverride> overrides, Set<String> notUnderstood) {
    public static final NodeWords NONE = new NodeWords(List.of(), List.of());

    public NodeWords {
        uses = List.copyOf(uses);
        overrides = List.copyOf(overrides);
        notUnderstood = Set.copyOf(notUnderstood);
    }

    public NodeWords(List<TemplateName> uses, List<PolicyOverride> overrides) {
        this(uses, overrides, Set.of());
    }

    public boolean isEmpty() {
        return uses.isEmpty() && overrides.isEmpty() && notUnderstood.isEmpty();
    }
}
