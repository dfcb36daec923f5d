package choir.server.reading;

import java.time.Instant;
import java.util.Optional;

/**
 * What a camera was last read to hold.
 *
 * @param since when this content was first seen
 * @param byHand who says so, for a recorder that cannot be asked
 */
public record Observation(Content content, Instant readAt, Instant since, Optional<String> byHand) {}
