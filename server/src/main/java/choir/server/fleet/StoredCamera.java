package choir.server.fleet;

import choir.fleet.Node;
import java.time.Instant;
import java.util.List;
import java.util.Optional;
import java.util.Set;

/**
 * A camera as its row says.
 *
 * @param goneSince since when its channel is no longer on the recorder; empty while it is there
 * @param notes what the recorder said of it that was not understood, in words
 * @param unreadable its tags cannot be understood, and were left out
 */
public record StoredCamera(
        long id,
        Node.Camera camera,
        String label,
        String deviceName,
        Node.Group group,
        Set<String> tags,
        Optional<Instant> goneSince,
        List<String> notes,
        boolean unreadable,
        long version) {
    public StoredCamera {
        tags = Set.copyOf(tags);
        notes = List.copyOf(notes);
    }
}
