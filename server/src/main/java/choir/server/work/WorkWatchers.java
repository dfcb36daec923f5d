package choir.server.work;

import choir.server.web.ChangeFeed;
import choir.server.web.Mailbox;
import java.util.Map;
import java.util.Set;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.ConcurrentHashMap.KeySetView;
import org.springframework.stereotype.Component;

/**
 * Those who follow some work. Work only says that it moved; how it stands is looked up for each watcher by a thread of the
 * watcher's own, so that a slow one slows nobody, and moves that come quickly after each other are told as one.
 */
@Component
class WorkWatchers {
    private final Map<Long, Set<Mailbox>> byWork = new ConcurrentHashMap<>();
    private final ChangeFeed feed;

    WorkWatchers(ChangeFeed feed) {
        this.feed = feed;
    }

    void moved(long work) {
        feed.moved(ChangeFeed.Topic.WORKS);
        byWork.getOrDefault(work, Set.of()).forEach(Mailbox::ring);
    }

    void add(long work, Mailbox watcher) {
        KeySetView<Mailbox, Boolean> fresh = ConcurrentHashMap.newKeySet();
        byWork.compute(work, (id, there) -> {
            var all = there == null ? fresh : there;
            all.add(watcher);
            return all;
        });
    }

    void remove(long work, Mailbox watcher) {
        byWork.computeIfPresent(work, (id, there) -> {
            there.remove(watcher);
            return there.isEmpty() ? null : there;
        });
    }
}
