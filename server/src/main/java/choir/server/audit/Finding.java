package choir.server.audit;

import org.jspecify.annotations.Nullable;

/**
 * One thing out of tune, from the audit that first saw it to the one that no longer did, or to a decision.
 *
 * @param camera as {@code haldr-1/07}; missing for what is wrong with a whole recorder
 * @param key the setting, or {@code reading} and {@code clock} for a recorder
 * @param desired in the recorder's own units
 * @param observed in the recorder's own units
 * @param endedBy {@code in tune again} or the decision that ended it
 * @param returns the earlier finding of the same thing, if there was one
 */
public record Finding(
        long id,
        String recorder,
        @Nullable String camera,
        String label,
        String group,
        String key,
        String title,
        String cause,
        String direction,
        int loss,
        int waste,
        String unit,
        int minutesWithoutRecording,
        String severity,
        String sentence,
        @Nullable String desired,
        @Nullable String observed,
        String firstSeen,
        String lastSeen,
        long audit,
        @Nullable String endedAt,
        @Nullable String endedBy,
        @Nullable Long returns) {}
