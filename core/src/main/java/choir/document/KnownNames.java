package choir.document;

import java.util.Collection;
import java.util.List;
import java.util.Set;

/**
 * The names that a policy file may speak of.
 *
 * @param templates those that are there already and those that are loaded with it
 * @param calendars the same of these
 * @param groups paths with the root
 * @param cameras such as {@code haldr-1/07}
 */
public record KnownNames(Set<String> templates, Set<String> calendars, Set<String> groups, Set<String> cameras) {
    public KnownNames {
        templates = Set.copyOf(templates);
        calendars = Set.copyOf(calendars);
        groups = Set.copyOf(groups);
        cameras = Set.copyOf(cameras);
    }

    static void require(Part part, String what, String name, Collection<String> known) {
        if (!known.contains(name)) {
            part.fault(
                    "there is no " + what + " \"" + name + "\"" + choir.fleet.Nearest.hint(name, List.copyOf(known)));
        }
    }
}
