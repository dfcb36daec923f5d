package choir.server.clip;

import choir.fleet.Node;
import java.time.Duration;
import java.time.Instant;
import java.util.Locale;
import java.util.Optional;

/**
 * A stretch of a camera's footage in a file.
 *
 * @param ends exclusive
 * @param file its name within the folder of clips
 * @param because why it is kept; missing when it is only being looked at
 * @param goneAt when it goes by itself
 * @param triedWith the settings in words that the policy asked when it was tried last; missing when it never was
 */
record Clip(
        long id,
        long cameraId,
        Node.Camera camera,
        String label,
        Instant begins,
        Instant ends,
        Origin origin,
        String file,
        long bytes,
        Optional<String> because,
        String who,
        Instant at,
        Instant goneAt,
        Optional<String> triedWith) {
    enum Origin {
        /** From what the recorder had recorded. */
        RECORDED,
        /** From what the camera saw at that time. */
        LIVE,
        /** From a file that a person brought. */
        FILE;

        String word() {
            return name().toLowerCase(Locale.ROOT);
        }
    }

    boolean isKept() {
        return because.isPresent();
    }

    Duration length() {
        return Duration.between(begins, ends);
    }
}
