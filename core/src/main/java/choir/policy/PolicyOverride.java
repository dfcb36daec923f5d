package choir.policy;

import choir.fleet.Node;
import choir.refusal.Refusal;
import java.time.LocalDate;
import java.util.Optional;

/**
 * A setting put straight on a group or a camera.
 *
 * @param because why; never blank, since an override nobody remembers the reason for is the worst kind
 * @param until the last day on which it counts, in the service's zone
 */
public record PolicyOverride(
        long id,
        Node node,
        SettingKey key,
        Layer.Statement statement,
        boolean fixed,
        String because,
        String author,
        Optional<LocalDate> until) {
    public PolicyOverride {
        if (because.isBlank() || because.length() > 500) {
            throw new Refusal("an override needs a reason of at most 500 characters");
        }
    }

    public boolean countsOn(LocalDate day) {
        return until.isEmpty() || !day.isAfter(until.get());
    }
}
