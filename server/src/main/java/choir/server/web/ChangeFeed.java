package choir.server.web;

import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.atomic.AtomicLong;
import org.springframework.stereotype.Component;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.RestController;
import org.springframework.web.servlet.mvc.method.annotation.SseEmitter;

/** Tells those who look at the console that something has changed, so that they need not ask again and again. */
@Component
public class ChangeFeed {
    /** What a view may show. */
    public enum Topic {
        STANDINGS,
        WORKS
    }

    private static final int MOST_LISTENERS = 1_000;

    private final Map<Topic, AtomicLong> numbers = new ConcurrentHashMap<>();
    private final Set<Mailbox> listeners = ConcurrentHashMap.newKeySet();

    public void moved(Topic topic) {
        numbers.computeIfAbsent(topic, t -> new AtomicLong()).incrementAndGet();
        listeners.forEach(Mailbox::ring);
    }

    private Map<String, Long> now() {
        Map<String, Long> now = new TreeMap<>();
        for (var topic : Topic.values()) {
            var number = numbers.get(topic);
            now.put(topic.name().toLowerCase(Locale.ROOT), number == null ? 0 : number.get());
        }
        return now;
    }

    private SseEmitter listen() {
        if (listeners.size() >= MOST_LISTENERS) {
            throw new Problem(Problem.Kind.TOO_MANY, "too many listen already; ask again in a minute");
        }
        var mailbox = Mailbox.open(() -> new Mailbox.Told("changed", now(), false), listeners::remove);
        listeners.add(mailbox);
        mailbox.ring();
        return mailbox.emitter();
    }

    /** Its address. */
    @RestController
    static class Api {
        private final ChangeFeed feed;

        Api(ChangeFeed feed) {
            this.feed = feed;
        }

        /** A stream of server-sent events: for each topic a number that differs when something has changed. */
        @GetMapping("/api/v1/changes")
        SseEmitter changes() {
            return feed.listen();
        }
    }
}
