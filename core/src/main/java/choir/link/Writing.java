package choir.link;

import java.time.Duration;
import java.util.Map;
import java.util.Optional;

/**
 * What came of writing to a recorder.
 *
 * @param channels for each channel how far it came
 * @param gap what was seen of its recording meanwhile; empty when it tells nothing of it, or when nothing was recording before
 */
public record Writing(Map<String, Written> channels, Optional<Gap> gap) {
    public Writing {
        channels = Map.copyOf(channels);
    }

    /**
     * How long recording stood still, by the recorder's own account, of a channel that was recording before.
     *
     * @param length from the first call to the moment at which it was seen to record again; zero when it was never seen not to
     * @param ended false when it was not seen to record again for as long as it was watched
     */
    public record Gap(Duration length, boolean ended) {}
}
