package choir.policy;

import choir.fleet.Node;
import java.time.LocalDate;
import java.util.Optional;

/** Where a value comes from: a template used at a node, or an override put on it. */
public sealed interface Origin {
    Node node();

    record FromTemplate(Node node, TemplateName template, int revision) implements Origin {}

    /** @param until the last day on which it counts */
    record FromOverride(Node node, long id, String because, String author, Optional<LocalDate> until)
            implements Origin {}

    default String text() {
        return source() + " at " + node().text();
    }

    /** Without where it stands. */
    default String source() {
        return switch (this) {
            case FromTemplate t -> "template " + t.template() + " (revision " + t.revision() + ")";
            case FromOverride o -> "override";
        };
    }
}
