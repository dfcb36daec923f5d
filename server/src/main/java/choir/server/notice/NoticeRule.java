package choir.server.notice;

import choir.drift.Severity;
import java.time.Instant;
import java.time.LocalTime;
import java.time.ZoneId;
import java.util.Optional;

/**
 * Who is told.
 *
 * @param severity at least that
 * @param quiet hours of the day in which nothing goes out; what comes up meanwhile waits for their end
 */
record NoticeRule(long id, Target target, Severity severity, Optional<Quiet> quiet, String who) {
    /** From the one time of day to the other, over midnight where the second is not later. */
    record Quiet(LocalTime from, LocalTime to) {
        private boolean covers(LocalTime time) {
            boolean overMidnight = !from.isBefore(to);
            return overMidnight ? !time.isBefore(from) || time.isBefore(to) : !time.isBefore(from) && time.isBefore(to);
        }

        private Instant endAfter(Instant now, ZoneId zone) {
            var at = now.atZone(zone);
            var end = at.toLocalDate().atTime(to).atZone(zone);
            return (end.isAfter(at)
                            ? end
                            : at.toLocalDate().plusDays(1).atTime(to).atZone(zone))
                    .toInstant();
        }
    }

    /** When something that comes up now may go out. */
    Instant due(Instant now, ZoneId zone) {
        return quiet.filter(q -> q.covers(now.atZone(zone).toLocalTime()))
                .map(q -> q.endAfter(now, zone))
                .orElse(now);
    }
}
