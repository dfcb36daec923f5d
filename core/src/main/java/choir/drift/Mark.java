package choir.drift;

import java.math.BigDecimal;
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
        int size = size(deviation.distance());
        return switch (deviation.distance().direction()) {
            case LOSS -> new Mark(Kind.LOSS, size);
            case WASTE -> new Mark(Kind.WASTE, size);
            case BOTH, NONE -> new Mark(Kind.BOTH, size);
        };
    }

    private static int size(Distance distance) {
        var most = distance.loss().max(distance.waste());
        return switch (distance) {
            case Distance.OfWeek w -> grade(most, 60, 1440);
            case Distance.Counted c ->
                grade(most, c.measure().middling(), c.measure().large());
            case Distance.None n -> 1;
        };
    }

    private static int grade(BigDecimal amount, int middling, int large) {
        return amount.compareTo(BigDecimal.valueOf(large)) >= 0
                ? 3
                : amount.compareTo(BigDecimal.valueOf(middling)) >= 0 ? 2 : 1;
    }

    /** The one that stands for all of them: the worst kind, then the largest. */
    public static Mark worst(Collection<Mark> marks) {
        return marks.stream()
                .max(Comparator.comparing(Mark::kind).thenComparing(Mark::size))
                .orElse(NOT_GOVERNED);
    }
}
