package choir.rollout;

import choir.refusal.Refusal;
import java.util.ArrayList;
import java.util.List;

/**
 * A first few, then the rest.
 *
 * @param first how many units go first, at least 1
 * @param maxFailedPercent a further wave starts only while at most this share of the one before failed, 0 to 100
 */
public record Waves(int first, int maxFailedPercent) {
    public static final Waves CAREFUL = new Waves(3, 0);

    public Waves {
        if (first < 1) {
            throw new Refusal("the first wave has at least one camera");
        }
        if (maxFailedPercent < 0 || maxFailedPercent > 100) {
            throw new Refusal("the share that may fail is 0 to 100 percent, not " + maxFailedPercent);
        }
    }

    /** Cuts the units, in their order, into waves; no wave is empty. */
    public <T> List<List<T>> of(List<T> units) {
        List<List<T>> waves = new ArrayList<>();
        int cut = Math.min(first, units.size());
        if (cut > 0) {
            waves.add(List.copyOf(units.subList(0, cut)));
        }
        if (cut < units.size()) {
            waves.add(List.copyOf(units.subList(cut, units.size())));
        }
        return waves;
    }

    public boolean mayGoOn(int steps, int failed) {
        return failed * 100 <= maxFailedPercent * steps;
    }
}
