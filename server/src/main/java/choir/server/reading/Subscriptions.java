package choir.server.reading;

import choir.link.ChangeLink.Subscription;
import choir.link.LinkException;
import choir.link.RecorderAccess;
import choir.link.RecorderLink;
import choir.server.fleet.Listening;
import choir.server.fleet.RecorderFollower;
import java.time.Clock;
import java.time.Instant;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import java.util.concurrent.ConcurrentHashMap;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.stereotype.Component;

/**
 * Which recorders tell of their changes and states, and of which somebody should look after what they told. One subscription for each;
 * it is used only while the recorder is held. One that is lost is made anew, and then nobody knows what was changed
 * meanwhile, so that the recorder is due as well. Nothing here outlives the service: what changed while it was away is
 * for the next audit to see.
 */
@Component
public class Subscriptions implements Listening, RecorderFollower {
    private static final Logger LOG = LoggerFactory.getLogger(Subscriptions.class);

    /** @param subscription empty for a recorder that tells of nothing */
    private record Kept(Optional<Subscription> subscription, Instant since) {}

    /** Changes that nobody has looked after yet. */
    public record Due(Instant since, List<String> changes) {
        private static final int MOST = 20;

        Due and(List<String> more) {
            List<String> all = new ArrayList<>(changes);
            more.stream().filter(m -> !all.contains(m)).forEach(all::add);
            return new Due(since, all.subList(0, Math.min(MOST, all.size())));
        }
    }

    private final RecorderLink link;
    private final Lately lately;
    private final Clock clock;
    private final Map<String, Kept> kept = new ConcurrentHashMap<>();
    private final Map<String, Due> due = new ConcurrentHashMap<>();

    Subscriptions(RecorderLink link, Lately lately, Clock clock) {
        this.link = link;
        this.lately = lately;
        this.clock = clock;
    }

    @Override
    public Optional<Instant> since(String recorder) {
        return Optional.ofNullable(kept.get(recorder))
                .filter(k -> k.subscription().filter(Subscription::ofChanges).isPresent())
                .map(Kept::since);
    }

    boolean isListenedTo(String recorder) {
        return Optional.ofNullable(kept.get(recorder))
                .flatMap(Kept::subscription)
                .isPresent();
    }

    /**
     * Fetches what a recorder that is held has told, and subscribes to it where that was not done.
     *
     * @param ours what it tells now follows from what was just written to it, and is nobody else's doing
     * @return whether it tells of anything
     */
    boolean look(String recorder, RecorderAccess access, boolean ours) {
        var known = kept.get(recorder);
        if (known == null || known.subscription().isEmpty()) {
            return subscribe(recorder, access);
        }
        var told = link.pull(access, known.subscription().get());
        if (told.isEmpty()) {
            LOG.info("{} does not know the subscription to its changes any more", recorder);
            kept.remove(recorder);
            lately.forget(recorder);
            if (known.subscription().get().ofChanges()) {
                note(
                        recorder,
                        List.of("the recorder forgot that it was to tell of changes, and may have left some out"));
            }
            return subscribe(recorder, access);
        }
        lately.told(recorder, told.get());
        if (!ours && !told.get().changes().isEmpty()) {
            note(recorder, told.get().changes());
        }
        return true;
    }

    private boolean subscribe(String recorder, RecorderAccess access) {
        var subscription = link.subscribe(access);
        kept.put(recorder, new Kept(subscription, clock.instant()));
        subscription.ifPresent(s -> lately.begins(recorder, s));
        return subscription.isPresent();
    }

    /** Before a reading, so that what it told before is covered by what is read; only where it is listened to. */
    void lookBeforeReading(String recorder, RecorderAccess access, boolean ours) {
        if (since(recorder).isEmpty()) {
            return;
        }
        try {
            look(recorder, access, ours);
        } catch (LinkException e) {
            // The reading that follows tells what is wrong.
        }
    }

    private void note(String recorder, List<String> changes) {
        due.merge(recorder, new Due(clock.instant(), changes), (before, fresh) -> before.and(fresh.changes()));
    }

    /** Recorders that told of changes before that moment, and what they told. */
    public Map<String, Due> dueBefore(Instant moment) {
        Map<String, Due> settled = new TreeMap<>();
        due.forEach((recorder, d) -> {
            if (d.since().isBefore(moment)) {
                settled.put(recorder, d);
            }
        });
        return settled;
    }

    /** Somebody looks after what was told until now. */
    public void taken(String recorder, Due what) {
        due.remove(recorder, what);
    }

    /** Gives back what was subscribed to; the recorder is held. */
    void giveBack(String recorder, RecorderAccess access) {
        var known = kept.remove(recorder);
        lately.forget(recorder);
        if (known != null) {
            known.subscription().ifPresent(s -> link.unsubscribe(access, s));
        }
    }

    void forget(String recorder) {
        kept.remove(recorder);
        lately.forget(recorder);
        due.remove(recorder);
    }

    @Override
    public void recorderIsRemoved(String name) {
        forget(name);
    }

    @Override
    public void recorderIsReplaced(String name) {
        forget(name);
    }
}
