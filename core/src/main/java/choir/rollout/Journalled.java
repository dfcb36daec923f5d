package choir.rollout;

import choir.policy.SettingKey;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/**
 * What the journal knows of a step beside its state.
 *
 * @param sent settings of which the call was made, answered or not; empty when nobody knows
 * @param results what a reading told of each; none before that
 */
public record Journalled(Optional<Set<SettingKey>> sent, Map<SettingKey, Settlement.Result> results) {
    public static final Journalled NOTHING = new Journalled(Optional.empty(), Map.of());

    public Journalled {
        sent = sent.map(Set::copyOf);
        results = Map.copyOf(results);
    }

    public static Journalled sent(Set<SettingKey> keys) {
        return new Journalled(Optional.of(keys), Map.of());
    }

    public Journalled with(Map<SettingKey, Settlement.Result> told) {
        return new Journalled(sent, told);
    }
}
