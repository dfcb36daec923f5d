package choir.sim;

import java.time.Duration;

/**
 * A restart that comes in the middle of a write: that call gets no answer, and the recorder is away for a time.
 *
 * @param writes how many further writes there are until then, counted from 1
 * @param takes whether the write took effect before
 */
record SimRestart(int writes, boolean takes, Duration away) {
    /** Told by the recorder to its door, which closes the connection without an answer. */
    static final class NowException extends RuntimeException {
        NowException() {
            super("the recorder restarts");
        }
    }

    SimRestart oneLess() {
        return new SimRestart(writes - 1, takes, away);
    }
}
