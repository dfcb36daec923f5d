package choir.server.rollout;

import java.math.BigDecimal;
import java.util.List;

/**
 * What giving out a preview would come to.
 *
 * @param settings how many values would be written
 * @param effects what would be recorded or watched more and less, the weightiest first
 * @param before expected of the cameras that would change, as far as they show when they record
 * @param after the same with what would be written
 * @param assumed what the figures rest on, in words
 */
public record Price(
        int cameras,
        int recorders,
        int settings,
        List<Effect> effects,
        Expected before,
        Expected after,
        String assumed) {
    /**
     * @param measure what it is counted in, such as {@code minutes a week} or {@code watched cells}
     * @param more what is caught or kept and was not before, over all cameras
     * @param less what is not caught or kept any more
     */
    public record Effect(String measure, BigDecimal more, BigDecimal less, int cameras) {}

    public record Expected(double hoursAWeek, long bytesADay) {}
}
