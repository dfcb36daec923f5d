package choir.server.export;

import java.time.Instant;
import java.time.LocalDate;
import org.jspecify.annotations.Nullable;

/**
 * Where one camera stands now.
 *
 * @param day of the service on which it was told
 * @param states words such as {@code in-tune} or {@code drifted}, with blanks between
 * @param settings that its policy governs
 * @param astray of these, that its recorder does not hold as it ought to
 * @param readAt when its recorder was last read; missing when it never was
 * @param notKnown why nobody knows what it holds now; missing where that is known
 */
public record StandingLine(
        LocalDate day,
        Instant at,
        String camera,
        String recorder,
        String label,
        String deviceName,
        String group,
        String tags,
        String family,
        String states,
        int settings,
        int astray,
        @Nullable Instant readAt,
        @Nullable String notKnown) {}
