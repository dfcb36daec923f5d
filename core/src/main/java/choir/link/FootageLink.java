package choir.link;

import java.net.URI;
import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.OptionalLong;

/** What recorders have recorded, and where it can be seen. What a recorder does not tell is absent, which is not none. */
public interface FootageLink {
    /**
     * Footage of a channel.
     *
     * @param from its oldest, by the true time; missing when the recorder does not tell
     * @param until its newest
     * @param records whether it records at this moment
     */
    record Kept(Optional<Instant> from, Optional<Instant> until, Optional<Boolean> records) {}

    /** @param until exclusive; later than asked for never, at the end of what was asked for when it goes on */
    record Stretch(Instant from, Instant until) {}

    /**
     * What happened at a channel between two instants, in the true time. Stretches are in order and do not touch.
     *
     * @param recorded where there is footage; missing when the recorder does not tell
     * @param motion where its detection saw motion; missing when the recorder does not tell
     * @param whole false when there was more than was taken, so that the later part is not known
     * @param until from where on nothing is known when it is not whole
     */
    record History(Optional<List<Stretch>> recorded, Optional<List<Stretch>> motion, boolean whole, Instant until) {}

    /**
     * What the recorder keeps, by channel; empty when it has no search.
     *
     * @throws LinkException with the reason when it cannot be asked
     */
    Optional<Map<String, Kept>> kept(RecorderAccess access);

    /**
     * @return empty when the recorder has no search, or no recording of the channel
     * @throws LinkException with the reason when it cannot be asked
     */
    Optional<History> history(RecorderAccess access, String channel, Instant from, Instant until);

    /**
     * How much a channel's stream takes.
     *
     * @param average bits a second of what was recorded; missing when the recorder does not tell
     * @param most bits a second that its encoder is set not to exceed; likewise
     */
    record Bits(OptionalLong average, OptionalLong most) {
        public static final Bits NOT_TOLD = new Bits(OptionalLong.empty(), OptionalLong.empty());
    }

    /**
     * What a recorder tells of its past, of all of its channels.
     *
     * @param kept by channel
     * @param histories for each stretch that was asked about, in their order, by channel; a channel that has no recording is
     *     missing
     * @param bits by channel
     * @param clockAhead by how much its clock is ahead now
     */
    record Recall(
            Map<String, Kept> kept,
            List<Map<String, History>> histories,
            Map<String, Bits> bits,
            Duration clockAhead) {}

    /**
     * What was recorded of all channels, and what moved, in one conversation.
     *
     * @param stretches in true time
     * @return empty when the recorder has no search
     * @throws LinkException with the reason when it cannot be asked
     */
    Optional<Recall> recall(RecorderAccess access, List<Stretch> stretches);

    /**
     * Where the channel's live stream is, at the recorder's own host and without a password in it.
     *
     * @return empty when it has none
     * @throws LinkException with the reason when it cannot be asked
     */
    Optional<URI> stream(RecorderAccess access, String channel);

    /**
     * Where what was recorded of the channel is played, likewise.
     *
     * @return empty when it has none
     * @throws LinkException with the reason when it cannot be asked
     */
    Optional<URI> replay(RecorderAccess access, String channel);

    /**
     * Plays what the channel's camera sees now.
     *
     * @return to be closed; empty when it has no stream
     * @throws LinkException with the reason when it cannot be asked
     */
    Optional<Playing> playLive(RecorderAccess access, String channel);

    /**
     * Plays what was recorded between two instants of the true time, as fast as the recorder gives it.
     *
     * @param keyPictures only those that stand alone are wanted; a recorder may give the others as well
     * @return to be closed; empty when it has no replay, or no recording of the channel
     * @throws LinkException with the reason when it cannot be asked
     */
    Optional<Playing> playRecorded(
            RecorderAccess access, String channel, Instant from, Instant until, boolean keyPictures);
}
