package choir.server.rollout;

import choir.policy.SettingKey;
import choir.rollout.Change;
import choir.rollout.StepState;
import java.util.Map;

/** One camera's changes within a rollout, as the journal of the rollout holds them. */
record Step(
        long id,
        long cameraId,
        String recorder,
        String channel,
        String label,
        int wave,
        StepState state,
        Map<SettingKey, Change> changes,
        String detail) {}
