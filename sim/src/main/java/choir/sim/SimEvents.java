package choir.sim;

import java.time.Duration;
import java.time.Instant;
import java.util.ArrayDeque;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.Queue;
import java.util.TreeMap;
import java.util.concurrent.atomic.AtomicInteger;

/** Pull-point subscriptions: each with the topics it is about, a bounded queue of messages and an end. */
final class SimEvents {
    static final Duration USUAL = Duration.ofMinutes(2);
    private static final Duration LONGEST = Duration.ofHours(1);
    private static final int MOST = 50;
    private static final int MOST_MESSAGES = 1_000;

    private static final class Subscription {
        final List<String> topics;
        final Queue<String> queue = new ArrayDeque<>();
        Duration lasts;
        Instant ends;

        Subscription(List<String> topics, Duration lasts) {
            this.topics = topics;
            this.lasts = lasts;
            this.ends = Instant.now().plus(lasts);
        }

        boolean isAbout(String topic) {
            return SimEvents.isAbout(topics, topic);
        }
    }

    static boolean isAbout(List<String> topics, String topic) {
        return topics.isEmpty()
                || topics.stream()
                        .anyMatch(t -> t.endsWith("//.")
                                ? (topic + "/").startsWith(t.substring(0, t.length() - 2))
                                : topic.equals(t));
    }

    /**
     * @param filter topics joined by bars; empty for all
     * @throws SimSoapFault when it is no expression of topics
     */
    static List<String> topics(String filter) {
        List<String> topics = Arrays.stream(filter.split("\\|"))
                .map(String::strip)
                .filter(t -> !t.isEmpty())
                .toList();
        if (topics.stream().anyMatch(t -> !t.matches("\\w+:[\\w/]+(//\\.)?"))) {
            throw new SimSoapFault(
                    "Sender", "InvalidArgVal", "InvalidFilterFault", "Not a topic expression: " + filter);
        }
        return topics;
    }

    private final Map<String, Subscription> subscriptions = new TreeMap<>();
    private final AtomicInteger numbers = new AtomicInteger();

    /** @param filter topics joined by bars; empty for all */
    synchronized String subscribe(String filter, Duration lasts) {
        expire();
        if (subscriptions.size() >= MOST) {
            throw new SimSoapFault("Receiver", "Action", "ResourceProblem", "Too many subscriptions");
        }
        var topics = topics(filter);
        var id = Integer.toString(numbers.incrementAndGet());
        subscriptions.put(id, new Subscription(topics, bounded(lasts)));
        return id;
    }

    private static Duration bounded(Duration lasts) {
        return lasts.compareTo(LONGEST) > 0 ? LONGEST : lasts;
    }

    private void expire() {
        var now = Instant.now();
        subscriptions.values().removeIf(s -> s.ends.isBefore(now));
    }

    private Subscription require(String id) {
        expire();
        var found = subscriptions.get(id);
        if (found == null) {
            throw new SimSoapFault("Sender", "InvalidArgVal", "ResourceUnknown", "No such subscription");
        }
        return found;
    }

    synchronized void unsubscribe(String id) {
        require(id);
        subscriptions.remove(id);
    }

    synchronized boolean isAnybodyThere() {
        expire();
        return !subscriptions.isEmpty();
    }

    /** As a restart does. */
    synchronized void forgetAll() {
        subscriptions.clear();
    }

    /** @return how long it lasts from now */
    synchronized Duration renew(String id, Duration lasts) {
        var found = require(id);
        found.lasts = bounded(lasts);
        found.ends = Instant.now().plus(found.lasts);
        return found.lasts;
    }

    synchronized Duration left(String id) {
        return Duration.between(Instant.now(), require(id).ends);
    }

    synchronized void publish(String topic, String message) {
        for (var s : subscriptions.values()) {
            if (s.isAbout(topic) && s.queue.size() < MOST_MESSAGES) {
                s.queue.add(message);
            }
        }
    }

    /** What is there, and as much longer as it lasted at first. */
    synchronized String pull(String id, int most) {
        var found = require(id);
        found.ends = Instant.now().plus(found.lasts);
        var messages = new StringBuilder();
        for (int i = 0; i < most && !found.queue.isEmpty(); i++) {
            messages.append(found.queue.remove());
        }
        return messages.toString();
    }
}
