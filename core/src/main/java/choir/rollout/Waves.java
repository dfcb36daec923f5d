package choir.rollout;

import choir.refusal.Refusal;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.regex.Pattern;

/**
 * A first few, or a share of all, perhaps a larger one after it, then the rest.
 *
 * @param before the waves before the rest, in their order
 * @param maxFailedPercent a further wave starts only while at most this share of the one before failed, 0 to 100
 */
public record Waves(List<Part> before, int maxFailedPercent) {
    public static final Waves CAREFUL = first(3, 0);
    private static final int MOST = 20;

    /** How many units a wave has. */
    public sealed interface Part {
        int of(int all);

        /** @param units at least 1 */
        record Count(int units) implements Part {
            public Count {
                if (units < 1) {
                    throw new Refusal("a wave has at least one camera");
                }
            }

            @Override
            public int of(int all) {
                return units;
            }

            @Override
            public String toString() {
                return Integer.toString(units);
            }
        }

        /** @param percent of all units, 1 to 100; rounded up */
        record Share(int percent) implements Part {
            public Share {
                if (percent < 1 || percent > 100) {
                    throw new Refusal("a wave is 1 to 100 percent of the cameras, not " + percent);
                }
            }

            @Override
            public int of(int all) {
                return Math.ceilDiv(percent * all, 100);
            }

            @Override
            public String toString() {
                return percent + "%";
            }
        }

        /** @param text such as {@code 3} or {@code 10%} */
        static Part parse(String text) {
            var match = PART.matcher(text.strip());
            if (!match.matches()) {
                throw new Refusal("\"" + text
                        + "\" is no wave; expected a number of cameras or a share of them, such as 3 or 10%");
            }
            int number = Integer.parseInt(match.group(1));
            return match.group(2).isEmpty() ? new Count(number) : new Share(number);
        }

        Pattern PART = Pattern.compile("(\\d{1,7}) ?(%?)");
    }

    public Waves {
        before = List.copyOf(before);
        if (before.isEmpty() || before.size() > MOST) {
            throw new Refusal("there are 1 to " + MOST + " waves before the rest, not " + before.size());
        }
        if (maxFailedPercent < 0 || maxFailedPercent > 100) {
            throw new Refusal("the share that may fail is 0 to 100 percent, not " + maxFailedPercent);
        }
    }

    /** So many first, then the rest. */
    public static Waves first(int units, int maxFailedPercent) {
        return new Waves(List.of(new Part.Count(units)), maxFailedPercent);
    }

    /** Cuts the units, in their order, into waves; no wave is empty. */
    public <T> List<List<T>> of(List<T> units) {
        List<List<T>> waves = new ArrayList<>();
        int from = 0;
        for (var part : before) {
            int to = from + Math.min(part.of(units.size()), units.size() - from);
            if (from < to) {
                waves.add(List.copyOf(units.subList(from, to)));
            }
            from = to;
        }
        if (from < units.size()) {
            waves.add(List.copyOf(units.subList(from, units.size())));
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
