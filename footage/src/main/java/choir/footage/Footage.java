package choir.footage;

import choir.motion.Picture;
import java.time.Duration;
import java.util.Optional;

/** A sequence of pictures of one size, read once, from one thread, in their order. */
public interface Footage extends AutoCloseable {
    /** @param since the first picture of the footage */
    record Moment(Duration since, Picture picture) {}

    /**
     * @return empty at the end
     * @throws FootageException when it cannot be read any further
     */
    Optional<Moment> next();

    /** Lets go of everything, at whatever place it is; without harm more than once and from any thread. */
    @Override
    void close();
}
