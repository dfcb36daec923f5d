package choir.server.rollout;

import choir.rollout.Waves;
import choir.server.work.Task;
import java.time.Duration;

/**
 * How a rollout is to go.
 *
 * @param patience how long after its start recorders that are away are tried again
 */
record Terms(Waves waves, Duration patience) {
    static final Terms CAREFUL = new Terms(Waves.CAREFUL, Task.Rollout.USUAL_PATIENCE);

    Task.Rollout task(String selection, boolean undo) {
        return new Task.Rollout(selection, waves, patience, undo);
    }
}
