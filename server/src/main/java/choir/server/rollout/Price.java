package choir.server.rollout;

import choir.server.forecast.RangeView;
import java.math.BigDecimal;
import java.util.List;
import org.jspecify.annotations.Nullable;

/**
 * What giving out a preview would come to.
 *
 * @param settings how many values would be written
 * @param effects what would be recorded or watched more and less, the weightiest first
 * @param before expected of the cameras that would change, as far as they show when they record
 * @param after the same with what would be written
 * @param stores on which footage would not live as long as is wanted, or on which that changes; the most urgent first, and a
 *     few at most
 * @param assumed what the figures rest on, in words
 */
public record Price(
        int cameras,
        int recorders,
        int settings,
        List<Effect> effects,
        Expected before,
        Expected after,
        List<StoreDays> stores,
        String assumed) {
    /**
     * @param measure what it is counted in, such as {@code minutes a week} or {@code watched cells}
     * @param more what is caught or kept and was not before, over all cameras
     * @param less what is not caught or kept any more
     */
    public record Effect(String measure, BigDecimal more, BigDecimal less, int cameras) {}

    /**
     * How many days a store keeps what is put on it, with all of its cameras.
     *
     * @param store missing for a recorder's only one
     * @param wanted at least so many; missing when no policy says
     * @param before as recorders are set; missing when nobody knows how large it is
     * @param verdict on what would be after
     */
    public record StoreDays(
            String recorder,
            @Nullable String store,
            @Nullable Integer wanted,
            @Nullable RangeView before,
            @Nullable RangeView after,
            String verdict) {}

    public record Expected(double hoursAWeek, long bytesADay) {}
}
