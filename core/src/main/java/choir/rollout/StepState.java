package choir.rollout;

import java.util.Map;
import java.util.Set;

/** Where one camera's changes stand within a rollout. */
public enum StepState {
    PLANNED,
    /** The journal said so before the first call was made; after a crash only the recorder knows how far it came. */
    WRITING,
    VERIFIED,
    MISMATCHED,
    FAILED,
    SKIPPED;

    private static final Map<StepState, Set<StepState>> NEXT = Map.of(
            PLANNED, Set.of(WRITING, SKIPPED, FAILED),
            WRITING, Set.of(VERIFIED, MISMATCHED, FAILED, PLANNED),
            VERIFIED, Set.of(),
            MISMATCHED, Set.of(),
            FAILED, Set.of(),
            SKIPPED, Set.of());

    public boolean mayBecome(StepState next) {
        return NEXT.get(this).contains(next);
    }

    public boolean isSettled() {
        return NEXT.get(this).isEmpty();
    }

    /** True for an end that counts against a wave's limit. */
    public boolean isFailure() {
        return this == MISMATCHED || this == FAILED;
    }
}
