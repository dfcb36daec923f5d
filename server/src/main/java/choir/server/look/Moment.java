package choir.server.look;

import java.time.Instant;

/**
 * What there was to see at an instant.
 *
 * @param finding the newest finding, 0 without any
 * @param entry the newest entry of the journal, 0 without any
 */
record Moment(Instant at, long finding, long entry) {}
