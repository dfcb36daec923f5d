package choir.drift;

import choir.family.NativeValue;
import choir.policy.SettingKey;
import java.util.Optional;

/**
 * The comparison of one setting of one camera.
 *
 * @param cannot why the recorder cannot honour it; empty when it can
 */
public record Deviation(
        SettingKey key,
        Cause cause,
        Optional<NativeValue> desired,
        Optional<NativeValue> baseline,
        Optional<NativeValue> observed,
        Distance distance,
        Severity severity,
        Optional<String> cannot) {
    /** What it comes to, in one sentence. It is made when it is asked for: most of a fleet is in tune and nobody asks. */
    public String sentence() {
        return cannot.orElseGet(() -> desired.map(d -> Wording.sentence(key, cause, d, observed, distance))
                .orElse(""));
    }
}
