package choir.server.activity;

import choir.link.LinkException;
import choir.motion.Featureless;
import choir.motion.Picture;
import choir.server.fleet.StoredCamera;
import choir.server.fleet.StoredRecorder;
import choir.server.reading.StillPictures;
import choir.server.web.Problem;
import java.time.LocalDate;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.stereotype.Component;

/** Looks at cameras that recorded for days without seeing anything move: one picture of each. */
@Component
class Pictures {
    private static final Logger LOG = LoggerFactory.getLogger(Pictures.class);
    static final int DAYS = 7;
    private static final double ENOUGH = 0.8;
    private static final long LEAST_SECONDS = 3_600;

    private final ActivityStore store;
    private final StillPictures stills;

    Pictures(ActivityStore store, StillPictures stills) {
        this.store = store;
        this.stills = stills;
    }

    /**
     * What was found; a camera whose picture did not come is missing.
     *
     * @param suspicious cameras that gave reason to look
     */
    record Found(List<Long> suspicious, Map<Long, Boolean> featureless) {}

    Found look(StoredRecorder recorder, List<StoredCamera> cameras, LocalDate today) {
        var suspicious = cameras.stream().filter(c -> sawNothing(c.id(), today)).toList();
        Map<Long, Boolean> found = new HashMap<>();
        for (var camera : suspicious) {
            try {
                stills.of(recorder, camera.camera().channel())
                        .map((Picture p) -> Featureless.is(p))
                        .ifPresent(is -> found.put(camera.id(), is));
            } catch (LinkException | Problem e) {
                LOG.debug("no picture of {}", camera.camera(), e);
            }
        }
        return new Found(suspicious.stream().map(StoredCamera::id).toList(), found);
    }

    private boolean sawNothing(long camera, LocalDate today) {
        var totals = store.totals(camera, today.minusDays(DAYS), today.minusDays(1));
        long recorded =
                totals.seconds().values().stream().mapToLong(Long::longValue).sum();
        return totals.events() == 0
                && totals.moved() == 0
                && totals.motionKnown() >= ENOUGH * DAYS * 86_400
                && recorded >= LEAST_SECONDS;
    }
}
