package choir.server.search;

import choir.server.web.Problem;
import jakarta.annotation.PreDestroy;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.Map;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.atomic.AtomicLong;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.scheduling.annotation.Scheduled;
import org.springframework.stereotype.Component;

/**
 * What is being looked for in footage, and was found lately: in memory, few at once, each for whoever asked alone. What nobody
 * asks after stops, and is forgotten soon.
 */
@Component
class Lookout {
    private static final int AT_ONCE = 4;
    private static final int OF_ONE = 2;
    private static final int KEPT = 40;
    private static final Duration UNASKED = Duration.ofSeconds(60);
    private static final Duration KNOWN = Duration.ofMinutes(15);
    private static final Logger LOG = LoggerFactory.getLogger(Lookout.class);

    /** One that looks; read by others while it does. */
    abstract static class Looker {
        private volatile boolean stopped;
        private volatile boolean ended;
        private volatile String failed = "";

        /** Looks until it is done or {@link #isStopped}. */
        abstract void look();

        final boolean isStopped() {
            return stopped;
        }

        /** @return {@code looking}, {@code stopped}, {@code failed} or {@code done} */
        final String state() {
            return !ended ? "looking" : !failed.isEmpty() ? "failed" : stopped ? "stopped" : "done";
        }

        /** Why it failed; empty where it did not. */
        final String failed() {
            return failed;
        }
    }

    private static final class Entry {
        final String who;
        final Looker looker;
        volatile Instant asked;

        Entry(String who, Looker looker, Instant asked) {
            this.who = who;
            this.looker = looker;
            this.asked = asked;
        }
    }

    private final Clock clock;
    private final AtomicLong numbers = new AtomicLong();
    private final Map<Long, Entry> entries = new ConcurrentHashMap<>();
    private final ExecutorService threads = Executors.newCachedThreadPool(
            Thread.ofPlatform().daemon().name("search-", 0).factory());

    Lookout(Clock clock) {
        this.clock = clock;
    }

    synchronized long start(Looker looker, String who) {
        var looking = entries.values().stream().filter(e -> !e.looker.ended).toList();
        if (looking.size() >= AT_ONCE
                || looking.stream().filter(e -> e.who.equals(who)).count() >= OF_ONE) {
            throw new Problem(
                    Problem.Kind.TOO_MANY,
                    "at most " + OF_ONE + " searches in footage of one person go on at once, and " + AT_ONCE
                            + " of all; stop one, or ask again soon");
        }
        entries.entrySet().stream()
                .filter(e -> e.getValue().looker.ended)
                .sorted(Map.Entry.comparingByKey())
                .limit(Math.max(0, entries.size() - KEPT + 1))
                .toList()
                .forEach(e -> entries.remove(e.getKey()));
        long number = numbers.incrementAndGet();
        entries.put(number, new Entry(who, looker, clock.instant()));
        threads.execute(() -> run(looker));
        return number;
    }

    private static void run(Looker looker) {
        try {
            looker.look();
        } catch (RuntimeException e) {
            if (!(e instanceof Problem || e instanceof choir.link.LinkException)) {
                LOG.error("a search in footage failed", e);
            }
            looker.failed = e instanceof Problem || e instanceof choir.link.LinkException
                    ? String.valueOf(e.getMessage())
                    : "the search failed; the service's log says why";
        } finally {
            looker.ended = true;
        }
    }

    <T extends Looker> T get(long number, Class<T> kind, String who) {
        var entry = entries.get(number);
        if (entry == null || !entry.who.equals(who) || !kind.isInstance(entry.looker)) {
            throw new Problem(Problem.Kind.NOT_FOUND, "search " + number + " is not known any more; begin it again");
        }
        entry.asked = clock.instant();
        return kind.cast(entry.looker);
    }

    /** What was found until then stays for a while. */
    <T extends Looker> T stop(long number, Class<T> kind, String who) {
        var looker = get(number, kind, who);
        ((Looker) looker).stopped = true;
        return looker;
    }

    @Scheduled(fixedDelayString = "PT15S")
    void sweep() {
        var now = clock.instant();
        for (var number : List.copyOf(entries.keySet())) {
            var entry = entries.get(number);
            if (entry != null && entry.asked.isBefore(now.minus(UNASKED))) {
                entry.looker.stopped = true;
            }
            if (entry != null && entry.asked.isBefore(now.minus(KNOWN))) {
                entries.remove(number);
            }
        }
    }

    @PreDestroy
    void stopAll() {
        entries.values().forEach(e -> e.looker.stopped = true);
        threads.shutdown();
    }
}
