package choir.server.clip;

import choir.family.NativeConfig;
import choir.family.NativeValue;
import choir.fleet.Node;
import choir.policy.SettingKey;
import choir.server.clip.Proofs.Planned;
import choir.server.clip.Proofs.Proof;
import choir.server.policy.PolicyFile;
import choir.server.policy.PolicyLoad;
import choir.server.standing.Standings;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RestController;

/** Policy files, tried on the moments that were marked as wanted before anybody takes them. */
@RestController
class ProofApi {
    /** @param prune what they do not name is gone; not when it is not said */
    record ProofRequest(List<PolicyFile> files, @Nullable Boolean prune) {}

    private final PolicyLoad policies;
    private final Standings standings;
    private final ClipStore store;
    private final Proofs proofs;

    ProofApi(PolicyLoad policies, Standings standings, ClipStore store, Proofs proofs) {
        this.policies = policies;
        this.standings = standings;
        this.store = store;
        this.proofs = proofs;
    }

    /** What recorders would miss once these files were policy and given out, beside what policy asks now. */
    @PostMapping("/api/v1/proofs")
    Proof proof(@RequestBody ProofRequest given) {
        // What would be said is looked up while the files are in force; footage is looked at afterwards.
        var supposed = policies.tried(given.files(), Boolean.TRUE.equals(given.prune()), true, standings::supposed);
        List<Planned> planned = new ArrayList<>();
        for (var recorder : store.recordersWithClips()) {
            Map<Node.Camera, NativeConfig> after = new HashMap<>();
            standings.supposing(supposed, recorder).forEach(s -> after.put(s.camera(), Tried.wanted(s)));
            for (var camera : standings.camerasOf(recorder)) {
                var before = Tried.wanted(camera);
                var then = after.getOrDefault(camera.camera(), before);
                if (!motion(then).equals(motion(before))) {
                    planned.add(new Planned(camera, Optional.of(before), then));
                }
            }
        }
        return proofs.of(planned);
    }

    private static Map<SettingKey, NativeValue> motion(NativeConfig config) {
        Map<SettingKey, NativeValue> motion = new HashMap<>(config.values());
        motion.keySet().removeIf(key -> !Proofs.isOfMotion(key.text()));
        return motion;
    }
}
