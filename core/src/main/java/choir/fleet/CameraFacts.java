package choir.fleet;

import java.util.Set;

/**
 * What a selection can ask of a camera.
 *
 * @param templates names of the templates that reach the camera, by any node of its chain
 * @param states words such as {@code drifted} or {@code in-tune}
 */
public record CameraFacts(
        Node.Camera camera,
        Node.Group group,
        String family,
        String label,
        Set<String> tags,
        Set<String> templates,
        Set<String> states) {
    public CameraFacts {
        tags = Set.copyOf(tags);
        templates = Set.copyOf(templates);
        states = Set.copyOf(states);
    }
}
