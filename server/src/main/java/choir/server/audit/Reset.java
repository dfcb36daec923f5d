package choir.server.audit;

import choir.drift.Cause;
import choir.drift.Deviation;
import choir.server.standing.Standing;
import java.util.Collection;
import java.util.List;

/** Whether a recorder was reset as a whole: then it is one thing that went wrong, and not one for each setting. */
final class Reset {
    /** Fewer may be a person at the panel. */
    private static final int FEWEST = 3;

    private Reset() {}

    /**
     * @param otherFirmware what was verified before is no longer trusted, so that it cannot be seen who moved
     * @return true when every governed value of which the factory's is known is that, on all cameras, and some were not
     */
    static boolean of(Collection<Standing> cameras, boolean otherFirmware) {
        int back = 0;
        for (var camera : cameras) {
            var factory = ofFactory(camera);
            if (camera.held().isEmpty() || !factory.stream().allMatch(d -> isFactory(camera, d))) {
                return false;
            }
            back += (int) factory.stream().filter(d -> isBack(d, otherFirmware)).count();
        }
        return back >= FEWEST;
    }

    private static List<Deviation> ofFactory(Standing camera) {
        return camera.deviations().stream()
                .filter(d -> d.observed().isPresent()
                        && camera.family().factory(d.key()).isPresent())
                .toList();
    }

    private static boolean isFactory(Standing camera, Deviation deviation) {
        return deviation.observed().equals(camera.family().factory(deviation.key()));
    }

    private static boolean isBack(Deviation deviation, boolean otherFirmware) {
        return deviation.cause() == Cause.CHANGED_AT_RECORDER
                || deviation.cause() == Cause.CHANGED_ON_BOTH_SIDES
                || otherFirmware && deviation.cause() == Cause.NEVER_TUNED;
    }
}
