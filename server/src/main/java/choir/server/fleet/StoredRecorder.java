package choir.server.fleet;

import org.jspecify.annotations.Nullable;

/**
 * A recorder as the table holds it, without its password.
 *
 * @param posixZone its rule for daylight saving as the device states it; empty when it does not
 * @param trouble why it could not be read the last time; empty when it could
 */
public record StoredRecorder(
        String name,
        String family,
        String address,
        String username,
        String zone,
        String manufacturer,
        String model,
        String firmware,
        String serial,
        String trouble,
        long clockAheadSeconds,
        String posixZone,
        @Nullable String readAt,
        @Nullable String triedAt,
        long version) {}
