package choir.server.response;

import choir.fleet.Node;
import choir.policy.SettingKey;
import java.time.Instant;
import java.util.Optional;

/**
 * One try of a response.
 *
 * @param held what the recorder held then
 * @param byRecorder by its own test; else somebody made something move
 * @param said what the recorder answered
 * @param came whether something came; empty while nobody has said so
 * @param cameBy who said so
 */
record ResponseTrial(
        long id,
        Node.Camera camera,
        SettingKey setting,
        String held,
        Instant at,
        String who,
        boolean byRecorder,
        String said,
        Optional<Boolean> came,
        Optional<String> cameBy,
        String note) {}
