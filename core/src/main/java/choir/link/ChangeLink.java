package choir.link;

import java.time.Duration;
import java.util.List;
import java.util.Map;
import java.util.Optional;

/** Recorders that tell by themselves when what they hold was changed, and which of their channels record and move. */
public interface ChangeLink {
    /**
     * What a recorder keeps for us until it is fetched.
     *
     * @param reference what the recorder calls it, in the words of its own protocol
     * @param ofChanges whether it tells of changes; else of states alone
     * @param channels whose states it tells, by what it calls them when it tells; empty when it tells of none
     */
    record Subscription(String reference, boolean ofChanges, Map<String, String> channels) {
        public Subscription {
            channels = Map.copyOf(channels);
        }
    }

    /** A channel began or ended recording, or its detection began or ended seeing motion. */
    record Turned(String channel, StateLog.Edge edge) {}

    /**
     * @param changes what was changed since the last time, in the recorder's words; more than these are not told apart
     * @param turned states since the last time, in the order in which they were told; at first how all stand
     * @param whole false when there is more that the recorder still keeps, so that how channels stand is not known
     * @param left how long the recorder keeps the subscription unless it is heard of again
     * @param clockAhead by how much its clock is ahead now
     */
    record Told(List<String> changes, List<Turned> turned, boolean whole, Duration left, Duration clockAhead) {
        public Told {
            changes = List.copyOf(changes);
            turned = List.copyOf(turned);
        }
    }

    /**
     * Asks to be told of changes and states from now on.
     *
     * @return empty when the recorder tells of neither
     * @throws LinkException with the reason when it cannot be asked
     */
    Optional<Subscription> subscribe(RecorderAccess access);

    /**
     * Fetches what was told since the last time, and keeps the subscription alive.
     *
     * @return empty when the recorder does not know the subscription any more, so that changes may have been missed
     * @throws LinkException with the reason when it cannot be asked
     */
    Optional<Told> pull(RecorderAccess access, Subscription subscription);

    /** Gives the subscription back; one that is gone already is as good. */
    void unsubscribe(RecorderAccess access, Subscription subscription);
}
