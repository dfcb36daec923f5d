package choir.sim;

import java.time.Instant;
import java.util.Map;
import java.util.NavigableMap;
import java.util.concurrent.ConcurrentSkipListMap;

/** What something was set to over time. Before the first change that is remembered it was as it was then. */
final class SimPast<T> {
    private static final int MOST = 64;

    private final NavigableMap<Instant, T> since = new ConcurrentSkipListMap<>();

    /**
     * It was changed, and so it is from then on; whatever was said of later times does not count any more.
     *
     * @param before what it was until then; of use when nothing was remembered yet
     */
    void changed(Instant at, T before, T after) {
        if (since.isEmpty()) {
            since.put(Instant.EPOCH, before);
        }
        since.tailMap(at, true).clear();
        if (!after.equals(at(at, after))) {
            since.put(at, after);
        }
        while (since.size() > MOST) {
            var oldest = since.pollFirstEntry();
            var next = since.pollFirstEntry();
            since.put(oldest.getKey(), next.getValue());
        }
    }

    /** @param now what it is, if nothing was remembered */
    T at(Instant at, T now) {
        var found = since.floorEntry(at);
        return found == null ? now : found.getValue();
    }

    Map<Instant, T> all() {
        return since;
    }

    void load(Map<Instant, T> kept) {
        since.clear();
        since.putAll(kept);
    }
}
