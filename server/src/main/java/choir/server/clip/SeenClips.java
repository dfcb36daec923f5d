package choir.server.clip;

import choir.server.reach.Keeper;
import choir.server.web.Problem;
import org.springframework.stereotype.Component;

/** Clips by their number, for whoever may see their camera. */
@Component
class SeenClips {
    private final ClipStore store;
    private final Keeper keeper;

    SeenClips(ClipStore store, Keeper keeper) {
        this.store = store;
        this.keeper = keeper;
    }

    /** @throws Problem the same for one that is not there and one that the person of this request may not see */
    Clip get(long id) {
        var clip = store.get(id);
        if (!keeper.sees(clip.camera())) {
            throw new Problem(Problem.Kind.NOT_FOUND, "there is no clip " + id);
        }
        return clip;
    }
}
