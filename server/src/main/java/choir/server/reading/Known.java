package choir.server.reading;

import choir.drift.Attempt;
import choir.policy.SettingKey;
import java.util.Map;
import java.util.Optional;

/**
 * What is known of one camera beside what it ought to hold.
 *
 * @param baseline what was last verified; empty when nothing ever was
 * @param attempts for a setting the last write that did not read back equal
 * @param unreadable something that is stored of it cannot be understood, and was left out
 */
public record Known(
        Optional<Observation> observation,
        Optional<Content> baseline,
        Map<SettingKey, Attempt> attempts,
        boolean unreadable) {
    public static final Known NOTHING = new Known(Optional.empty(), Optional.empty(), Map.of(), false);

    public Known {
        attempts = Map.copyOf(attempts);
    }
}
