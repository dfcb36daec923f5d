package choir.document;

import choir.fleet.Node;
import choir.policy.CalendarName;
import choir.policy.Layer;
import choir.policy.TemplateName;
import choir.week.DateSet;
import java.time.LocalDate;
import java.util.List;
import java.util.Optional;

/** One document of a policy file. */
public sealed interface PolicyDocument {
    record OfTemplate(TemplateName name, String title, Optional<TemplateName> base, Layer layer)
            implements PolicyDocument {}

    record OfCalendar(CalendarName name, String title, DateSet dates) implements PolicyDocument {}

    /**
     * What stands at a group or a camera: templates in order, and overrides with their common reason.
     *
     * @param use absent when the document does not speak of templates; an empty list takes them away
     */
    record OfNode(
            Node node,
            Optional<List<TemplateName>> use,
            Layer overrides,
            Optional<String> because,
            Optional<LocalDate> until)
            implements PolicyDocument {
        public OfNode {
            use = use.map(List::copyOf);
        }
    }
}
