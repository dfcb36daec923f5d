package choir.server.reading;

import java.util.HashMap;
import java.util.Map;

/** How many may wait for something of one recorder, and how many for something of any, so that none takes all places. */
final class Places {
    private final int mostOfAll;
    private final int mostOfOne;
    /** Only recorders of which a place is taken now. */
    private final Map<String, Integer> taken = new HashMap<>();

    private int all;

    Places(int mostOfAll, int mostOfOne) {
        this.mostOfAll = mostOfAll;
        this.mostOfOne = mostOfOne;
    }

    /** @return false where no place is left; nothing is taken then */
    synchronized boolean take(String recorder) {
        int ofOne = taken.getOrDefault(recorder, 0);
        if (all >= mostOfAll || ofOne >= mostOfOne) {
            return false;
        }
        taken.put(recorder, ofOne + 1);
        all++;
        return true;
    }

    synchronized void leave(String recorder) {
        taken.compute(recorder, (name, ofOne) -> {
            if (ofOne == null) {
                throw new IllegalStateException("no place of " + name + " is taken");
            }
            return ofOne == 1 ? null : ofOne - 1;
        });
        all--;
    }
}
