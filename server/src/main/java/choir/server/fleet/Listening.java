package choir.server.fleet;

import java.time.Instant;
import java.util.Optional;

/** Which recorders are listened to for changes. */
public interface Listening {
    /** Since when without a break; empty when the recorder tells of no changes, or was not asked yet. */
    Optional<Instant> since(String recorder);
}
