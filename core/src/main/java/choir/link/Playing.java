package choir.link;

import java.net.URI;
import java.time.Instant;
import java.util.Optional;

/**
 * A stream of a recorder, passed on at an address of the loopback interface to the first who asks, once. Neither the
 * recorder's address nor its password can be learnt there. What is passed on has no gap: at one it ends.
 */
public interface Playing extends AutoCloseable {
    /** For RTSP over TCP. */
    URI address();

    /** The true time of its first picture; missing until that was passed on. */
    Optional<Instant> begins();

    /** Why it ended before its time; missing while nothing is wrong. */
    Optional<LinkException> trouble();

    /** Ends it and lets go of the recorder, also while it plays. */
    @Override
    void close();
}
