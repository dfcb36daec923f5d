package choir.server.report;

import choir.activity.DayActivity.Why;
import choir.activity.SpanComparison.Totals;
import choir.server.forecast.ExpectedStore;
import choir.server.rollout.Waiting;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;

/**
 * What was recorded within a span, and what is expected of disks.
 *
 * @param groups by name; empty when nothing is known
 * @param tooMany cameras are chosen for it to be reckoned
 * @param stores as recorders are set now; empty unless the span goes up to today, since of what is past nobody knows
 * @param waiting what giving out everything that waits would come to; likewise, and empty when nothing waits
 */
record ReportedFootage(
        List<OfGroup> groups, boolean tooMany, List<ExpectedStore> stores, Optional<Waiting.Cost> waiting) {
    static final ReportedFootage NOTHING = new ReportedFootage(List.of(), false, List.of(), Optional.empty());

    private static final double HOUR = 3_600;
    private static final double DAY = 86_400;

    /**
     * Per camera and day of what is known.
     *
     * @param unknown cameras of which nothing is known
     * @param hours recorded
     * @param missingHours of all of its cameras in the whole span
     */
    record OfGroup(
            String name,
            int cameras,
            int unknown,
            double hours,
            double continuousHours,
            double motionHours,
            double events,
            double missingHours) {}

    ReportedFootage {
        groups = List.copyOf(groups);
        stores = List.copyOf(stores);
    }

    /** Adds cameras up by their groups. */
    static final class Sums {
        private static final class Sum {
            private int cameras;
            private int unknown;
            private long known;
            private long recorded;
            private long continuous;
            private long motion;
            private long motionKnown;
            private long events;
            private long missing;
        }

        private final Map<String, Sum> groups = new TreeMap<>();

        void add(String group, Totals camera) {
            var sum = groups.computeIfAbsent(group, g -> new Sum());
            sum.cameras++;
            sum.unknown += camera.known() == 0 ? 1 : 0;
            sum.known += camera.known();
            sum.recorded += camera.seconds().values().stream()
                    .mapToLong(Long::longValue)
                    .sum();
            sum.continuous += camera.seconds().getOrDefault(Why.CONTINUOUS, 0L);
            sum.motion += camera.seconds().getOrDefault(Why.MOTION, 0L);
            sum.motionKnown += camera.motionKnown();
            sum.events += camera.events();
            sum.missing += camera.missing();
        }

        /** Nothing where of no camera anything is known. */
        List<OfGroup> groups() {
            List<OfGroup> all = new ArrayList<>();
            if (groups.values().stream().anyMatch(s -> s.known > 0)) {
                groups.forEach((name, s) -> all.add(new OfGroup(
                        name,
                        s.cameras,
                        s.unknown,
                        hours(s.recorded, s.known),
                        hours(s.continuous, s.known),
                        hours(s.motion, s.known),
                        s.motionKnown == 0 ? 0 : s.events * DAY / s.motionKnown,
                        s.missing / HOUR)));
            }
            return all;
        }

        private static double hours(long seconds, long known) {
            return known == 0 ? 0 : seconds * DAY / known / HOUR;
        }
    }
}
