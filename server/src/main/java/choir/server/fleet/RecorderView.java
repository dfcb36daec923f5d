package choir.server.fleet;

import choir.link.Fingerprint;
import java.net.URI;
import java.time.Duration;
import java.time.Instant;
import java.util.Optional;
import org.jspecify.annotations.Nullable;

/**
 * A recorder as it is shown.
 *
 * @param address missing for one without a network interface
 * @param trouble why it could not be read the last time; missing when it could, or was never tried
 * @param clockAheadSeconds negative when it is behind; missing when it was never read
 * @param posixZone its rule for daylight saving as the device states it; missing when it does not
 * @param certificate the SHA-256 that was confirmed for it by TLS; missing when none was
 * @param tellsSince since when it is listened to for changes; missing when it tells of none
 * @param pausedUntil the last day on which it is neither audited nor written; missing when it is
 */
record RecorderView(
        String name,
        String family,
        @Nullable String address,
        String username,
        String zone,
        String manufacturer,
        String model,
        String firmware,
        String serial,
        @Nullable String trouble,
        @Nullable Long clockAheadSeconds,
        @Nullable String posixZone,
        @Nullable String readAt,
        @Nullable String triedAt,
        @Nullable String certificate,
        @Nullable String tellsSince,
        @Nullable String pausedUntil,
        @Nullable String pausedBecause,
        long version) {
    static RecorderView of(StoredRecorder r, Optional<PauseStore.Pause> pause, Optional<Instant> tellsSince) {
        return new RecorderView(
                r.name(),
                r.family(),
                r.address().map(URI::toString).orElse(null),
                r.username(),
                r.zone(),
                r.device().manufacturer(),
                r.device().model(),
                r.device().firmware(),
                r.device().serial(),
                r.contact().trouble().orElse(null),
                r.clockAhead().map(Duration::toSeconds).orElse(null),
                r.posixZone().isEmpty() ? null : r.posixZone(),
                r.contact().lastReached().map(Instant::toString).orElse(null),
                triedAt(r.contact()),
                r.certificate().map(Fingerprint::text).orElse(null),
                tellsSince.map(Instant::toString).orElse(null),
                pause.map(p -> p.until().toString()).orElse(null),
                pause.map(PauseStore.Pause::because).orElse(null),
                r.version());
    }

    private static @Nullable String triedAt(Contact contact) {
        return switch (contact) {
            case Contact.NeverTried n -> null;
            case Contact.Reached(var at) -> at.toString();
            case Contact.Failed f -> f.at().toString();
        };
    }
}
