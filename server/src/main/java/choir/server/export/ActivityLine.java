package choir.server.export;

import java.time.LocalDate;
import org.jspecify.annotations.Nullable;

/**
 * What one camera recorded on one day, in seconds.
 *
 * @param day in the zone of its recorder
 * @param length of the day, which is not always 24 hours
 * @param known of which the recorder said whether there is footage
 * @param continuous recorded for that reason, as the others until {@code unexplained}
 * @param motionKnown of which it said whether its detection saw motion
 * @param moved of motion
 * @param events how often motion began
 * @param missing that had to be recorded and were not; missing when it was not compared
 */
public record ActivityLine(
        LocalDate day,
        String camera,
        String recorder,
        String label,
        String group,
        @Nullable String zone,
        long length,
        long known,
        long continuous,
        long motion,
        long alarm,
        long analytics,
        long motionAndAlarm,
        long unexplained,
        long motionKnown,
        long moved,
        long events,
        @Nullable Long missing) {}
