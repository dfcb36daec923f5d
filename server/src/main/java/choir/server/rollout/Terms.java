package choir.server.rollout;

import choir.rollout.Hours;
import choir.rollout.Waves;
import choir.server.work.Task;
import java.time.Duration;
import java.util.Optional;

/**
 * How a rollout is to go.
 *
 * @param patience how long after its start, or after their hours began, recorders that are away are tried again
 * @param hours in which recorders may be written, in the zone of each; empty for always
 * @param secondPerson it waits until somebody else than who asked for it lets it go
 */
record Terms(Waves waves, Duration patience, Optional<Hours> hours, boolean secondPerson) {
    /** All at once, whatever fails. */
    static Terms together(int cameras) {
        return new Terms(Waves.first(cameras, 100), Task.Rollout.USUAL_PATIENCE, Optional.empty(), false);
    }

    Task.Rollout task(String selection, boolean undo) {
        return new Task.Rollout(selection, waves, patience, hours, undo);
    }
}
