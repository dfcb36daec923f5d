package choir.server.standing;

import choir.fleet.Nearest;
import choir.fleet.Node;
import choir.fleet.Selection;
import choir.server.fleet.FleetStore;
import java.util.ArrayList;
import java.util.List;

/** Why a selection may have found nothing: what there is not, and what a bare word may have been meant for. */
final class Meant {
    private Meant() {}

    /** Hints to be put after a sentence; empty when there are none. */
    static String hints(Selection selection, String text, FleetStore fleet) {
        List<String> hints = new ArrayList<>();
        var groups = fleet.groups().stream().map(Meant::path).toList();
        selection.alternatives().stream().flatMap(List::stream).forEach(term -> {
            if (term instanceof Selection.InGroup in && !groups.contains(path(in.group()))) {
                hints.add("there is no group " + path(in.group())
                        + Nearest.to(path(in.group()), groups)
                                .map(n -> "; did you mean group:" + Selection.quoted(n) + "?")
                                .orElse(""));
            }
        });
        for (var word : text.split("[\\s,]+")) {
            if (groups.contains(word)) {
                hints.add("did you mean group:" + word + "?");
            } else if (fleet.recorderNames().contains(word)) {
                hints.add("did you mean recorder:" + word + "?");
            }
        }
        return hints.isEmpty() ? "" : "; " + String.join("; ", hints);
    }

    private static String path(Node.Group group) {
        var root = Node.Group.ROOT.text() + "/";
        return group.text().startsWith(root) ? group.text().substring(root.length()) : group.text();
    }
}
