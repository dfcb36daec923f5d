package choir.sim;

import java.time.Duration;
import java.util.Map;
import java.util.concurrent.BlockingQueue;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.LinkedBlockingQueue;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.atomic.AtomicInteger;

/** Pull-point subscriptions, each with a bounded queue of messages. */
final class SimEvents {
    private final Map<String, BlockingQueue<String>> queues = new ConcurrentHashMap<>();
    private final AtomicInteger numbers = new AtomicInteger();

    String subscribe() {
        var id = Integer.toString(numbers.incrementAndGet());
        if (queues.size() >= 50) {
            throw new SimSoapFault("Receiver", "Action", "ResourceProblem", "Too many subscriptions");
        }
        queues.put(id, new LinkedBlockingQueue<>(1000));
        return id;
    }

    void unsubscribe(String id) {
        queues.remove(id);
    }

    void publish(String message) {
        queues.values().forEach(q -> q.offer(message));
    }

    /** Waits for the first message at most that long, then gives what is there. */
    String pull(String id, Duration wait, int most) {
        var queue = queues.get(id);
        if (queue == null) {
            throw new SimSoapFault("Sender", "InvalidArgVal", "ResourceUnknown", "No such subscription");
        }
        var messages = new StringBuilder();
        try {
            var first = queue.poll(Math.min(wait.toMillis(), 30_000), TimeUnit.MILLISECONDS);
            for (int i = 0; first != null && i < most; i++) {
                messages.append(first);
                first = queue.poll();
            }
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
        }
        return messages.toString();
    }
}
