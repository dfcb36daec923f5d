package choir.server.db;

import choir.fleet.Node;
import choir.policy.CalendarName;
import choir.policy.TemplateName;
import java.util.Set;

/**
 * What a transaction changed that cameras stand on. It is told within the transaction by the one who writes, and published
 * after the commit. Work, previews, steps, accounts and the journal change nothing that a camera stands on.
 */
public sealed interface Change {
    /** A recorder came or went, was reached or not, or something else is known of what it holds or was given. */
    record RecorderChanged(String recorder) implements Change {}

    /** Cameras stand in other groups, have other tags, or are called otherwise. */
    record CamerasPlaced(Set<String> recorders) implements Change {
        public CamerasPlaced {
            recorders = Set.copyOf(recorders);
        }
    }

    /** Groups came or went. */
    record GroupsChanged() implements Change {}

    /** Templates or overrides at a group or a camera. */
    record NodeSpoken(Node node) implements Change {}

    /** A group and all below it stand elsewhere, with what is said there. */
    record GroupMoved(Node.Group from, Node.Group to) implements Change {}

    record TemplateRevised(TemplateName name) implements Change {}

    record CalendarWritten(CalendarName name) implements Change {}

    record FamilyWritten(String family) implements Change {}
}
