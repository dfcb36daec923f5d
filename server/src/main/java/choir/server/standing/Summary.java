package choir.server.standing;

import choir.fleet.CameraState;
import choir.fleet.Node;
import java.util.Collection;
import java.util.EnumSet;
import java.util.HashMap;
import java.util.HashSet;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/**
 * What can be said of all cameras of a recorder together.
 *
 * @param trouble why the recorder counts as failed although it may have been reached; empty when nothing is wrong
 * @param states that at least one of the cameras is in
 * @param tags that at least one has
 * @param templates that reach at least one
 */
record Summary(
        Optional<String> trouble,
        Map<Node.Group, Tally> byGroup,
        Set<CameraState> states,
        Set<String> tags,
        Set<String> templates) {
    Summary {
        byGroup = Map.copyOf(byGroup);
        states = Set.copyOf(states);
        tags = Set.copyOf(tags);
        templates = Set.copyOf(templates);
    }

    static Summary of(Optional<String> trouble, Collection<Standing> cameras) {
        Map<Node.Group, Tally> byGroup = new HashMap<>();
        Set<CameraState> states = EnumSet.noneOf(CameraState.class);
        Set<String> tags = new HashSet<>();
        Set<String> templates = new HashSet<>();
        for (var camera : cameras) {
            byGroup.computeIfAbsent(camera.group(), g -> new Tally()).count(camera);
            states.addAll(camera.states());
            tags.addAll(camera.tags());
            templates.addAll(camera.templates());
        }
        return new Summary(trouble, byGroup, states, tags, templates);
    }

    int cameras() {
        return byGroup.values().stream().mapToInt(Tally::cameras).sum();
    }
}
