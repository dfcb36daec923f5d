package choir.drift;

import java.util.Collection;
import java.util.Comparator;

/**
 * Where the dot of the tuning mark stands: on the notch, or to the side of loss or of waste, further out for a larger
 * difference.
 *
 * @param size 0 when there is no distance, else 1 (slight) to 3 (large)
 */
public record Mark(Kind kind, int size) {
    /**
     * In the order in which one stands for many: the worst last. What a family cannot do is told once for the family; a
     * camera that holds all that its recorder can hold is in tune.
     */
    public enum Kind {
        NOT_GOVERNED,
        CANNOT,
        IN_TUNE,
        UNKNOWN,
        WAITING,
        WASTE,
        BOTH,
        LOSS
    }

    public static final Mark NOT_GOVERNED = new Mark(Kind.NOT_GOVERNED, 0);

    public static Mark of(Deviation deviation) {
        return switch (deviation.cause()) {
            case IN_TUNE -> new Mark(Kind.IN_TUNE, 0);
            case CANNOT_HONOUR -> new Mark(Kind.CANNOT, 0);
            case UNKNOWN -> new Mark(Kind.UNKNOWN, 0);
            case NEVER_TUNED, NEVER_GIVEN_OUT, WAITING -> new Mark(Kind.WAITING, 0);
            case DID_NOT_TAKE, CHANGED_AT_RECORDER, CHANGED_ON_BOTH_SIDES -> astray(deviation);
        };
    }

    private static Mark astray(Deviation deviation) {
        int size = size(deviation.cost());
        return switch (deviation.cost().direction()) {
            case LOSS -> new Mark(Kind.LOSS, size);
            case WASTE -> new Mark(Kind.WASTE, size);
            case BOTH, NONE -> new Mark(Kind.BOTH, size);
        };
    }

    private static int size(Cost cost) {
        int most = Math.max(cost.loss(), cost.waste());
        return switch (cost.unit()) {
            case "minutes a week" -> grade(most, 60, 1440);
            case "cells" -> grade(most, 10, 50);
            case "pixels" -> grade(most, 200, 2000);
            default -> grade(most, 2, 10);
        };
    }

    private static int grade(int amount, int middling, int large) {
        return amount >= large ? 3 : amount >= middling ? 2 : 1;
    }

    /** The one that stands for all of them: the worst kind, then the largest. */
    public static Mark worst(Collection<Mark> marks) {
        return marks.stream()
                .max(Comparator.comparing(Mark::kind).thenComparing(Mark::size))
                .orElse(NOT_GOVERNED);
    }
}
