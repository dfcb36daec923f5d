package choir.server.fleet;

import choir.fleet.RecorderName;
import choir.link.Fingerprint;
import choir.link.RecorderReading.Device;
import java.net.URI;
import java.time.DateTimeException;
import java.time.Duration;
import java.time.ZoneId;
import java.util.Optional;

/**
 * A recorder as the table holds it, without its password.
 *
 * @param address empty for one without a network interface
 * @param zone the name of an IANA zone
 * @param clockAhead as of the last reading; empty when it was never read
 * @param certificate the one that was confirmed for it by TLS
 * @param passwordUnderWay a new password was sent to it, and it is not known yet which of the two it takes
 * @param rangesKnown its ranges were held against its family file as it is now
 * @param posixZone its rule for daylight saving as the device states it; empty when it does not
 */
public record StoredRecorder(
        RecorderName recorder,
        String family,
        Optional<URI> address,
        String username,
        Optional<Fingerprint> certificate,
        boolean passwordUnderWay,
        String zone,
        Device device,
        Contact contact,
        Optional<Duration> clockAhead,
        String posixZone,
        boolean rangesKnown,
        long version) {
    public String name() {
        return recorder.text();
    }

    /** Empty when the zone is none that this service knows (any more). */
    public Optional<ZoneId> zoneId() {
        try {
            return Optional.of(ZoneId.of(zone));
        } catch (DateTimeException e) {
            return Optional.empty();
        }
    }

    /** The same device somewhere else. */
    public StoredRecorder at(URI other) {
        return new StoredRecorder(
                recorder,
                family,
                Optional.of(other),
                username,
                certificate,
                passwordUnderWay,
                zone,
                device,
                contact,
                clockAhead,
                posixZone,
                rangesKnown,
                version);
    }

    public StoredRecorder in(Contact other) {
        return new StoredRecorder(
                recorder,
                family,
                address,
                username,
                certificate,
                passwordUnderWay,
                zone,
                device,
                other,
                clockAhead,
                posixZone,
                rangesKnown,
                version);
    }
}
