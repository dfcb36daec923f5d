package choir.activity;

import java.util.ArrayList;
import java.util.Collection;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/** Cameras that never trigger, or trigger all the time, while their peers, of the same group and family, do not. */
public final class Triggering {
    private static final int FEWEST = 5;
    private static final double BUSY_EVENTS = 5;
    private static final double ALL_THE_TIME = 0.9;
    private static final double QUIET = 0.4;

    /**
     * What one camera did over the same complete days.
     *
     * @param events a day
     * @param share of the time in which it may record by motion, that it did so, 0 to 1; empty when it never waited for
     *     motion
     */
    public record Week(double events, Optional<Double> share) {}

    /** What is odd about one, with how many peers there are, itself included. */
    public sealed interface Odd {
        int peers();

        /** @param median events a day of its peers */
        record Never(double median, int peers) implements Odd {}

        /** @param median the peers' share of the time */
        record Always(double share, double median, int peers) implements Odd {}
    }

    private Triggering() {}

    public static boolean areEnough(int members) {
        return members >= FEWEST;
    }

    /** @param members those of which all of the days are known; of fewer than five nothing can be said */
    public static <T> Map<T, Odd> odd(Map<T, Week> members) {
        Map<T, Odd> odd = new LinkedHashMap<>();
        if (!areEnough(members.size())) {
            return odd;
        }
        double events = median(members.values().stream().map(Week::events).toList());
        var shares = members.values().stream().flatMap(w -> w.share().stream()).toList();
        double share = shares.isEmpty() ? 1 : median(shares);
        members.forEach((member, week) -> {
            if (week.events() == 0 && events >= BUSY_EVENTS) {
                odd.put(member, new Odd.Never(events, members.size()));
            } else if (areEnough(shares.size()) && share < QUIET && week.share().orElse(0.0) >= ALL_THE_TIME) {
                odd.put(member, new Odd.Always(week.share().orElseThrow(), share, shares.size()));
            }
        });
        return odd;
    }

    private static double median(Collection<Double> values) {
        List<Double> sorted = new ArrayList<>(values);
        sorted.sort(Double::compare);
        int half = sorted.size() / 2;
        return sorted.size() % 2 == 1 ? sorted.get(half) : (sorted.get(half - 1) + sorted.get(half)) / 2;
    }
}
