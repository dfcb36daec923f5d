package choir.server.forecast;

import choir.server.forecast.StoreOutlook.Side;
import choir.storage.Range;
import choir.storage.Room.Verdict;
import java.util.List;
import java.util.Optional;
import java.util.OptionalInt;

/**
 * What giving something out would come to, for the cameras that change alone, and for the stores they are on.
 *
 * @param words what the figures rest on
 */
public record Difference(Recording before, Recording after, List<Days> stores, String words) {
    /** Likely figures. */
    public record Recording(double secondsADay, double bytesADay) {
        static Recording of(Side side) {
            return new Recording(
                    side.secondsADay().likely(), side.allBytesADay().likely());
        }
    }

    /**
     * @param wanted for how many days at least footage is to be kept; empty when nothing says
     * @param before for how many it is kept; empty when nobody knows
     */
    public record Days(
            String recorder,
            String store,
            OptionalInt wanted,
            Optional<Range> before,
            Optional<Range> after,
            Verdict now,
            Verdict then) {
        static Days of(StoreOutlook store) {
            var now = store.now().room(store.size());
            var then = store.then().room(store.size());
            return new Days(
                    store.recorder(),
                    store.store(),
                    store.then().wanted(),
                    now.days(),
                    then.days(),
                    now.verdict(),
                    then.verdict());
        }
    }
}
