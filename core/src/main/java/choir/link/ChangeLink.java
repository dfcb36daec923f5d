package choir.link;

import java.time.Duration;
import java.util.List;
import java.util.Optional;

/** Recorders that tell by themselves when what they hold was changed. */
public interface ChangeLink {
    /**
     * What a recorder keeps for us until it is fetched.
     *
     * @param reference what the recorder calls it, in the words of its own protocol
     */
    record Subscription(String reference) {}

    /**
     * @param changes what was changed since the last time, in the recorder's words; more than these are not told apart
     * @param left how long the recorder keeps the subscription unless it is heard of again
     */
    record Told(List<String> changes, Duration left) {
        public Told {
            changes = List.copyOf(changes);
        }
    }

    /**
     * Asks to be told of changes from now on.
     *
     * @return empty when the recorder tells of none
     * @throws LinkException with the reason when it cannot be asked
     */
    Optional<Subscription> subscribe(RecorderAccess access);

    /**
     * Fetches what was changed since the last time, and keeps the subscription alive.
     *
     * @return empty when the recorder does not know the subscription any more, so that changes may have been missed
     * @throws LinkException with the reason when it cannot be asked
     */
    Optional<Told> pull(RecorderAccess access, Subscription subscription);

    /** Gives the subscription back; one that is gone already is as good. */
    void unsubscribe(RecorderAccess access, Subscription subscription);
}
