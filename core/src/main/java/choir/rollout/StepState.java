package choir.rollout;

import java.util.EnumSet;
import java.util.Set;

/** Where one camera's changes stand within a rollout. */
public enum StepState {
    PLANNED,
    /** The journal said so before the first call was made; after a crash only the recorder knows how far it came. */
    WRITING,
    /** It may have been written, and nobody could look yet; the next reading of its recorder tells. */
    UNSETTLED,
    VERIFIED,
    MISMATCHED,
    FAILED,
    SKIPPED;

    private Set<StepState> next() {
        return switch (this) {
            case PLANNED -> EnumSet.of(WRITING, SKIPPED, FAILED);
            case WRITING -> EnumSet.of(UNSETTLED, VERIFIED, MISMATCHED, FAILED, PLANNED, SKIPPED);
            case UNSETTLED -> EnumSet.of(VERIFIED, MISMATCHED, FAILED, PLANNED);
            case VERIFIED, MISMATCHED, FAILED, SKIPPED -> EnumSet.noneOf(StepState.class);
        };
    }

    public boolean mayBecome(StepState next) {
        return next().contains(next);
    }

    public boolean isSettled() {
        return next().isEmpty();
    }

    /** True for an end that counts against a wave's limit. */
    public boolean isFailure() {
        return this == MISMATCHED || this == FAILED;
    }
}
