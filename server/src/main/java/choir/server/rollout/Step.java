package choir.server.rollout;

import choir.fleet.Node;
import choir.policy.SettingKey;
import choir.rollout.Change;
import choir.rollout.Journalled;
import choir.rollout.StepState;
import java.util.Map;
import java.util.Optional;

/**
 * One camera's changes within a rollout, as the journal of the rollout holds them.
 *
 * @param cameraId its row; empty when the camera is gone meanwhile
 * @param known what is known of it beside its state
 * @param changes empty when what is stored of them cannot be understood; a step changes something otherwise
 */
record Step(
        long id,
        Optional<Long> cameraId,
        Node.Camera camera,
        String label,
        int wave,
        StepState state,
        Map<SettingKey, Change> changes,
        Journalled known,
        String detail) {
    boolean isUnderstood() {
        return !changes.isEmpty();
    }

    String recorder() {
        return camera.recorder().text();
    }

    String channel() {
        return camera.channel();
    }
}
