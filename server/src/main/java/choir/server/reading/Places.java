package choir.server.reading;

import java.time.Duration;
import java.util.HashMap;
import java.util.Map;
import java.util.concurrent.TimeUnit;

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

    /**
     * Waits for so long until one is left.
     *
     * @return false where none was
     */
    synchronized boolean takeWithin(Duration patience, String recorder) {
        long end = System.nanoTime() + patience.toNanos();
        while (!take(recorder)) {
            long left = end - System.nanoTime();
            if (left <= 0) {
                return false;
            }
            try {
                TimeUnit.NANOSECONDS.timedWait(this, left);
            } catch (InterruptedException e) {
                Thread.currentThread().interrupt();
                return false;
            }
        }
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
        notifyAll();
    }
}
