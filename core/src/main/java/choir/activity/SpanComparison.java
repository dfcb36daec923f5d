package choir.activity;

import choir.activity.DayActivity.Why;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.OptionalLong;

/**
 * Two spans of days beside each other, such as before and after a change, as what one day comes to. Only cameras of which
 * something is known in both are counted, so that a camera that was away does not look like a saving.
 *
 * @param onlyOne cameras of which something is known in one of the two alone, or in none
 * @param most those whose recording changed the most, the most first
 */
public record SpanComparison<K>(ADay before, ADay after, int cameras, int onlyOne, List<Camera<K>> most) {
    private static final double DAY = 86_400;
    private static final double HOUR = 3_600;
    private static final int BITS = 8;

    /**
     * What is known of one camera in one span, in seconds.
     *
     * @param known of which the recorder said whether there is footage
     * @param seconds recorded, by the reason
     * @param motionKnown of which it said whether its detection saw motion
     * @param moved of motion
     * @param events how often it began
     * @param missing that had to be recorded and were not
     */
    public record Totals(long known, Map<Why, Long> seconds, long motionKnown, long moved, long events, long missing) {
        public Totals {
            seconds = Map.copyOf(seconds);
        }

        private long recorded() {
            return seconds.values().stream().mapToLong(Long::longValue).sum();
        }

        /** What a number of seconds comes to a day, in hours. */
        private double hoursADay(long counted) {
            return known == 0 ? 0 : counted * DAY / known / HOUR;
        }
    }

    /**
     * What one day comes to, of all counted cameras together.
     *
     * @param hours recorded, by the reason
     * @param events of motion, of the cameras whose recorders tell of it in both spans
     * @param movedHours of motion, of the same
     * @param missingHours that had to be recorded and were not
     * @param bytes of the cameras whose recorders tell how many bits they record
     */
    public record ADay(Map<Why, Double> hours, double events, double movedHours, double missingHours, double bytes) {
        public ADay {
            hours = Map.copyOf(hours);
        }

        public double allHours() {
            return hours.values().stream().mapToDouble(Double::doubleValue).sum();
        }
    }

    /** @param before hours recorded a day */
    public record Camera<K>(K who, double before, double after) {
        private double change() {
            return Math.abs(after - before);
        }
    }

    /** Takes one camera after the other. */
    public static final class Taking<K> {
        private final Sum before = new Sum();
        private final Sum after = new Sum();
        private final List<Camera<K>> cameras = new ArrayList<>();
        private int counted;
        private int onlyOne;
        private int measured;

        /** @param bits a second that it records, as its recorder tells */
        public void take(K who, Totals then, Totals now, OptionalLong bits) {
            if (then.known() == 0 || now.known() == 0) {
                onlyOne++;
                return;
            }
            counted++;
            measured += bits.isPresent() ? 1 : 0;
            boolean motion = then.motionKnown() > 0 && now.motionKnown() > 0;
            before.add(then, bits, motion);
            after.add(now, bits, motion);
            cameras.add(new Camera<>(who, then.hoursADay(then.recorded()), now.hoursADay(now.recorded())));
        }

        /** Of how many cameras bytes could be reckoned. */
        public int measured() {
            return measured;
        }

        /** @param most so many cameras are named */
        public SpanComparison<K> taken(int most) {
            return new SpanComparison<>(
                    before.aDay(),
                    after.aDay(),
                    counted,
                    onlyOne,
                    cameras.stream()
                            .filter(c -> c.change() > 0)
                            .sorted(Comparator.comparingDouble((Camera<K> c) -> c.change())
                                    .reversed())
                            .limit(most)
                            .toList());
        }
    }

    private static final class Sum {
        private final Map<Why, Double> hours = new EnumMap<>(Why.class);
        private double events;
        private double moved;
        private double missing;
        private double bytes;

        void add(Totals t, OptionalLong bits, boolean motion) {
            t.seconds().forEach((why, seconds) -> hours.merge(why, t.hoursADay(seconds), Double::sum));
            missing += t.hoursADay(t.missing());
            if (motion) {
                events += t.events() * DAY / t.motionKnown();
                moved += t.moved() * DAY / t.motionKnown() / HOUR;
            }
            if (bits.isPresent()) {
                bytes += t.hoursADay(t.recorded()) * HOUR * bits.getAsLong() / BITS;
            }
        }

        ADay aDay() {
            return new ADay(hours, events, moved, missing, bytes);
        }
    }
}
