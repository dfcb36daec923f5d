package choir.drift;

import choir.family.NativeValue;
import choir.policy.SettingKey;
import java.util.Optional;

/** The comparison of one setting of one camera. */
public record Deviation(
        SettingKey key,
        Cause cause,
        Optional<NativeValue> desired,
        Optional<NativeValue> baseline,
        Optional<NativeValue> observed,
        Cost cost,
        Severity severity,
        String sentence) {}
