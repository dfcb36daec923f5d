package choir.server.reading;

import choir.link.ChangeLink.Subscription;
import choir.link.ChangeLink.Told;
import choir.link.FootageLink.History;
import choir.link.FootageLink.Recall;
import choir.link.StateLog;
import choir.server.fleet.RecorderFollower;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.concurrent.ConcurrentHashMap;
import java.util.stream.Collectors;
import org.springframework.stereotype.Component;

/**
 * Which channels recorded and moved in the last minutes, of recorders that tell of it by themselves. It is known from when a
 * recorder is listened to, and not any more when it was not heard of for a while.
 */
@Component
public class Lately implements RecorderFollower {
    private static final Duration KEPT = Duration.ofMinutes(5);
    private static final Duration STALE = Duration.ofSeconds(15);

    /** What one recorder told; used by one conversation and by who asks. */
    private static final class Heard {
        private final Instant since;
        private final Set<String> channels;
        private final Map<String, StateLog> logs = new HashMap<>();
        private Instant until;
        private Duration clockAhead = Duration.ZERO;

        Heard(Instant since, Set<String> channels) {
            this.since = since;
            this.until = since;
            this.channels = channels;
        }

        synchronized void add(Told told, Instant at) {
            // Of what is still to come nobody knows how it leaves things.
            until = told.whole() ? at : until;
            clockAhead = told.clockAhead();
            told.turned()
                    .forEach(t -> logs.computeIfAbsent(t.channel(), c -> new StateLog())
                            .add(t.edge()));
            logs.values().forEach(log -> log.forgetBefore(at.minus(KEPT)));
        }

        synchronized Optional<Recall> of(Instant from, Instant now) {
            if (since.isAfter(from) || until.isBefore(now.minus(STALE))) {
                return Optional.empty();
            }
            Map<String, History> histories = new HashMap<>();
            logs.forEach((channel, log) -> histories.put(channel, log.history(from, now, true)));
            boolean all = histories.keySet().containsAll(channels)
                    && histories.values().stream()
                            .allMatch(
                                    h -> h.recorded().isPresent() && h.motion().isPresent());
            return all ? Optional.of(new Recall(Map.of(), List.of(histories), Map.of(), clockAhead)) : Optional.empty();
        }
    }

    private final Clock clock;
    private final Map<String, Heard> heard = new ConcurrentHashMap<>();

    Lately(Clock clock) {
        this.clock = clock;
    }

    /** It is listened to from now on. */
    void begins(String recorder, Subscription subscription) {
        var channels = subscription.channels().values().stream().collect(Collectors.toUnmodifiableSet());
        if (channels.isEmpty()) {
            heard.remove(recorder);
        } else {
            heard.put(recorder, new Heard(clock.instant(), channels));
        }
    }

    void told(String recorder, Told told) {
        var of = heard.get(recorder);
        if (of != null) {
            of.add(told, clock.instant());
        }
    }

    void forget(String recorder) {
        heard.remove(recorder);
    }

    /**
     * @param back how far
     * @return empty when not all of it was told, so that it has to be asked
     */
    public Optional<Recall> of(String recorder, Instant now, Duration back) {
        return Optional.ofNullable(heard.get(recorder)).flatMap(h -> h.of(now.minus(back), now));
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
