package choir.policy;

import java.util.List;

/** What is said straight at one node: templates in their order, and overrides. */
public record NodeWords(List<TemplateName> uses, List<PolicyOverride> overrides) {
    public static final NodeWords NONE = new NodeWords(List.of(), List.of());

    public NodeWords {
        uses = List.copyOf(uses);
        overrides = List.copyOf(overrides);
    }

    public boolean isEmpty() {
        return uses.isEmpty() && overrides.isEmpty();
    }
}
