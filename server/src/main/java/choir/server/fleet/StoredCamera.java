package choir.server.fleet;

import choir.fleet.Node;
import java.util.Set;

/**
 * A camera as its row says.
 *
 * @param unreadable its tags cannot be understood, and were left out
 */
public record StoredCamera(
        long id,
        Node.Camera camera,
        String label,
        String deviceName,
        Node.Group group,
        Set<String> tags,
        boolean unreadable,
        long version) {
    public StoredCamera {
        tags = Set.copyOf(tags);
    }
}
