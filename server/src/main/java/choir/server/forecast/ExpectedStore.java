package choir.server.forecast;

import choir.storage.Range;
import choir.storage.Room;
import choir.storage.Size;
import choir.storage.Usage.By;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalInt;

/**
 * What is expected of one store of a recorder, as it is set.
 *
 * @param store as policies call it; empty for a recorder's only one
 * @param unknown those of its cameras that are in no figure
 * @param days for how many footage fits; empty when nobody knows, infinite when nothing is recorded
 * @param wanted at least; empty when no policy says
 * @param allowed at most; empty when there is no such bound
 */
public record ExpectedStore(
        String recorder,
        String store,
        int cameras,
        int unknown,
        Map<By, Range> bytesADay,
        Range allBytesADay,
        Range secondsADay,
        Optional<Size> size,
        Optional<Range> days,
        OptionalInt wanted,
        OptionalInt allowed,
        Room.Verdict verdict) {
    static ExpectedStore of(StoreOutlook store) {
        var now = store.now();
        var room = now.room(store.size());
        return new ExpectedStore(
                store.recorder(),
                store.store(),
                now.cameras(),
                now.unclear(),
                now.bytesADay(),
                now.allBytesADay(),
                now.secondsADay(),
                store.size(),
                room.days(),
                now.wanted(),
                now.allowed(),
                room.verdict());
    }
}
