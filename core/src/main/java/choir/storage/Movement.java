package choir.storage;

import choir.activity.DayActivity;
import choir.activity.Spans;
import java.nio.ByteBuffer;
import java.time.Instant;
import java.time.ZoneId;
import java.util.Arrays;
import java.util.Collection;
import java.util.Optional;

/**
 * How often and for how long a camera's detection saw motion, counted by the hour of the week on the wall clock. Hours that
 * were never known go by the mean of those that were.
 *
 * <p>How far a coming week may be from the counted ones follows from how far their days are from each other: the time in
 * which something moves in seven days is the mean of them, ± 2 s/√7 where s is the standard deviation of the days.
 */
public final class Movement {
    public static final int HOURS = 7 * 24;
    /** Fewer say more of their weather than of the place. */
    private static final int FEWEST_DAYS = 7;

    private static final double ENOUGH = 0.8;
    private static final int HOUR = 3_600;
    private static final int LENGTH = Short.BYTES * (1 + 2 * HOURS);
    /** Motion that never rests is told as motion that hardly does. */
    private static final double MOST_TIME = 0.98;

    /** For each hour of the week how often motion began, a second of it. */
    private final double[] rates;

    /** For each hour of the week for which share of it something moved. */
    private final double[] shares;

    /** By how much of it a week is calmer or busier than those that were counted, 0 to 1. */
    private final double spread;

    private Movement(double[] rates, double[] shares, double spread) {
        this.rates = rates;
        this.shares = shares;
        this.spread = spread;
    }

    /** Empty when too little is known of the days. */
    public static Optional<Movement> of(Collection<DayActivity> days, ZoneId zone) {
        long all = days.stream().mapToLong(d -> d.day().seconds()).sum();
        double known = days.stream().mapToLong(d -> d.motionKnown().seconds()).sum();
        if (days.size() < FEWEST_DAYS || known < all * ENOUGH) {
            return Optional.empty();
        }
        double[] begun = new double[HOURS];
        double[] moved = new double[HOURS];
        double[] told = new double[HOURS];
        for (var day : days) {
            day.motion().list().forEach(event -> begun[hour(event.from(), zone)]++);
            for (long at = day.day().from(); at < day.day().until(); at += HOUR) {
                int hour = hour(at, zone);
                var span = Spans.of(at, Math.min(day.day().until(), at + HOUR));
                told[hour] += day.motionKnown().and(span).seconds();
                moved[hour] += day.motion().and(span).seconds();
            }
        }
        double meanRate = Arrays.stream(begun).sum() / known;
        double meanShare = Arrays.stream(moved).sum() / known;
        for (int hour = 0; hour < HOURS; hour++) {
            boolean enough = told[hour] >= HOUR / 2.0;
            begun[hour] = enough ? begun[hour] / told[hour] : meanRate;
            moved[hour] = Math.min(MOST_TIME, enough ? moved[hour] / told[hour] : meanShare);
        }
        return Optional.of(new Movement(begun, moved, spread(days)));
    }

    private static double spread(Collection<DayActivity> days) {
        var shares = days.stream()
                .filter(d -> d.motionKnown().seconds() > 0)
                .mapToDouble(
                        d -> (double) d.motion().seconds() / d.motionKnown().seconds())
                .toArray();
        double mean = Arrays.stream(shares).average().orElse(0);
        double squares = Arrays.stream(shares).map(s -> (s - mean) * (s - mean)).sum();
        return mean == 0 || shares.length < 2
                ? 0
                : Math.min(1, 2 * Math.sqrt(squares / (shares.length - 1) / 7) / mean);
    }

    /** As {@link #read} takes it; numbers are kept to their first three digits. */
    public byte[] write() {
        var bytes = ByteBuffer.allocate(LENGTH).putShort(Float.floatToFloat16((float) spread));
        for (int hour = 0; hour < HOURS; hour++) {
            bytes.putShort(Float.floatToFloat16((float) (rates[hour] * HOUR)))
                    .putShort(Float.floatToFloat16((float) shares[hour]));
        }
        return bytes.array();
    }

    /** Empty for what {@link #write} never made. */
    public static Optional<Movement> read(byte[] written) {
        if (written.length != LENGTH) {
            return Optional.empty();
        }
        var bytes = ByteBuffer.wrap(written);
        double spread = Float.float16ToFloat(bytes.getShort());
        double[] rates = new double[HOURS];
        double[] shares = new double[HOURS];
        for (int hour = 0; hour < HOURS; hour++) {
            rates[hour] = Float.float16ToFloat(bytes.getShort()) / HOUR;
            shares[hour] = Float.float16ToFloat(bytes.getShort());
            if (!(rates[hour] >= 0 && shares[hour] >= 0 && shares[hour] < 1)) {
                return Optional.empty();
            }
        }
        return spread >= 0 && spread <= 1 ? Optional.of(new Movement(rates, shares, spread)) : Optional.empty();
    }

    private static int hour(long second, ZoneId zone) {
        var wall = Instant.ofEpochSecond(second).atZone(zone);
        return (wall.getDayOfWeek().getValue() - 1) * 24 + wall.getHour();
    }

    /**
     * The share of an hour of the week for which something waits for motion records, 0 to 1: as {@link Assumed#share}, with
     * the share of the time in which something moves as it was counted in place of λL.
     *
     * @param hour from Monday 00:00
     * @param padding seconds before and after together
     */
    Range shares(int hour, double padding) {
        double quiet = 1 - shares[hour];
        double share = Math.clamp(1 - quiet * Math.exp(-rates[hour] * padding / quiet), 0, 1);
        return new Range(share * (1 - spread), share, share * (1 + spread)).atMost(1);
    }
}
