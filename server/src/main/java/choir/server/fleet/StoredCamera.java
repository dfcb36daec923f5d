package choir.server.fleet;

import choir.fleet.Node;
import java.util.Set;

public record StoredCamera(
        long id,
        Node.Camera camera,
        String label,
        String deviceName,
        Node.Group group,
        Set<String> tags,
        long version) {
    public StoredCamera {
        tags = Set.copyOf(tags);
    }
}
