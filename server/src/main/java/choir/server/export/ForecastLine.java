package choir.server.export;

import java.time.Instant;
import java.time.LocalDate;
import org.jspecify.annotations.Nullable;

/**
 * What is expected of one store of a recorder, as it is set now.
 *
 * @param day of the service on which it was told
 * @param store empty for a recorder's only one
 * @param unknown those of its cameras that are in no figure
 * @param bytesADay the likeliest, between the least and the most
 * @param hoursADay recorded, of all its cameras together
 * @param sizeBytes missing when nobody knows it
 * @param sizeBasis {@code said} or {@code measured}
 * @param days for how many footage fits; missing when nobody knows, or nothing is recorded
 * @param wanted days at least; missing when no policy says
 * @param allowed days at most; missing when there is no such bound
 * @param verdict {@code enough}, {@code close}, {@code too-short}, {@code not-known} or {@code nothing-wanted}
 */
public record ForecastLine(
        LocalDate day,
        Instant at,
        String recorder,
        String store,
        int cameras,
        int unknown,
        double bytesADayLow,
        double bytesADay,
        double bytesADayHigh,
        double continuousBytesADay,
        double motionBytesADay,
        double otherEventsBytesADay,
        double clipsBytesADay,
        double hoursADay,
        @Nullable Double sizeBytes,
        @Nullable String sizeBasis,
        @Nullable Double daysLow,
        @Nullable Double days,
        @Nullable Double daysHigh,
        @Nullable Integer wanted,
        @Nullable Integer allowed,
        String verdict) {}
