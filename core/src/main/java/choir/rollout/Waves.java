package choir.rollout;

import choir.refusal.Refusal;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;

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

    /** Whether the next wave starts. */
    public sealed interface Decision {
        record GoOn() implements Decision {}

        /** @param why in words */
        record Stop(String why) implements Decision {}
    }

    /** A wave of which nothing was seen, well or not, says nothing, so the next one does not start. */
    public Decision after(Map<StepState, Integer> steps) {
        int all = steps.values().stream().mapToInt(Integer::intValue).sum();
        int verified = steps.getOrDefault(StepState.VERIFIED, 0);
        int skipped = steps.getOrDefault(StepState.SKIPPED, 0);
        int unknown = steps.getOrDefault(StepState.UNSETTLED, 0) + steps.getOrDefault(StepState.WRITING, 0);
        int failed = all - verified - skipped - unknown;
        if ((failed + unknown) * 100L > (long) maxFailedPercent * all) {
            return new Decision.Stop(failed + unknown + " of " + all + " cameras "
                    + (unknown == 0
                            ? "failed"
                            : failed == 0 ? "could not be read back" : "failed or could not be read"));
        }
        return verified == 0 && failed == 0 && all > 0
                ? new Decision.Stop("not one of " + all + (all == 1 ? " camera" : " cameras") + " was verified")
                : new Decision.GoOn();
    }
}
