package choir.server.export;

import java.time.Instant;
import java.time.LocalDate;
import org.jspecify.annotations.Nullable;

/**
 * A finding that was open at some time of a day.
 *
 * @param day in the zone of the service
 * @param camera missing for what is wrong with a whole recorder
 * @param about one word for its kind
 * @param loss by how much less is recorded than ought to be, on a scale of its setting
 * @param minutesWithoutRecording of a week
 * @param oughtToHold in the device's own units
 */
public record FindingLine(
        LocalDate day,
        long id,
        String recorder,
        @Nullable String camera,
        String label,
        @Nullable String group,
        String about,
        @Nullable String setting,
        String cause,
        String severity,
        double loss,
        double waste,
        int minutesWithoutRecording,
        String sentence,
        @Nullable String oughtToHold,
        @Nullable String holds,
        Instant firstSeen,
        Instant lastSeen,
        @Nullable Instant endedAt,
        @Nullable String endedBy,
        @Nullable LocalDate acceptedUntil,
        @Nullable String assignedTo) {}
