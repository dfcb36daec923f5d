package choir.bench;

import java.io.IOException;
import java.net.InetAddress;
import java.net.Socket;
import java.nio.charset.StandardCharsets;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Map;
import java.util.concurrent.ConcurrentSkipListMap;
import java.util.concurrent.atomic.AtomicBoolean;

/**
 * How long somebody waits for what they look at all day while others are at the doors: {@code FOLDER SERVER-JAR HEAP}, the
 * folder being one that the measurement of the whole service left.
 */
public final class Crowd {
    private static final int SERVICE = 7596;
    private static final int SLOW = 1_000;
    private static final int AT_ONCE = 24;
    private static final int SECONDS = 20;
    private static final int BETWEEN = 20;
    private static final List<String> LOOKED_AT = List.of(
            "/api/v1/overview", "/api/v1/cameras?limit=50", "/api/v1/findings?limit=50", "/api/v1/recorders?limit=50");
    private static final List<String> DEAR =
            List.of("/api/v1/report", "/api/v1/cameras?limit=1000", "/api/v1/survey", "/api/v1/forecast?select=");

    private Crowd() {}

    /** What is done until it is enough. */
    private interface Deed {
        void once() throws Exception;
    }

    public static void main(String[] arguments) throws Exception {
        try (var service = new RunningService(Path.of(arguments[1]), Path.of(arguments[0]), SERVICE, arguments[2])) {
            service.signIn();
            while (RunningService.number(service.get("/api/v1/overview"), "cameras") == 0) {
                Thread.sleep(50);
            }
            var name = Long.toString(System.nanoTime(), 36);
            var viewer = service.letIn("v" + name, "viewer");
            var editor = service.letIn("e" + name, "editor");
            looks(service, "to warm up", List.of());
            looks(service, "alone", List.of());
            slow(service);
            Map<Integer, Integer> answers = new ConcurrentSkipListMap<>();
            looks(
                    service,
                    "beside a viewer who asks for what is dear, %d at once".formatted(AT_ONCE),
                    crowd(i -> () -> {
                        int status = service.status(viewer, "GET", DEAR.get(i % DEAR.size()), null);
                        answers.merge(status, 1, Integer::sum);
                    }));
            System.out.println("  they were answered " + answers);
            answers.clear();
            var policy = chain();
            looks(
                    service,
                    "beside an editor who checks and previews all that they can, %d at once".formatted(AT_ONCE),
                    crowd(i -> () -> {
                        int status = i % 2 == 0
                                ? service.status(editor, "POST", "/api/v1/policy", policy)
                                : service.status(editor, "POST", "/api/v1/previews", "{\"select\":\"\"}");
                        answers.merge(status, 1, Integer::sum);
                    }));
            System.out.println("  they were answered " + answers);
            System.out.println(service.memory());
        }
    }

    /** Three thousand templates, each of which extends the one before. */
    private static String chain() {
        var text = new StringBuilder();
        for (int i = 0; i < 3_000; i++) {
            text.append("---\\ntemplate: bench-").append(i).append("\\n");
            if (i > 0) {
                text.append("extends: bench-").append(i - 1).append("\\n");
            }
        }
        return "{\"files\":[{\"name\":\"chain.yaml\",\"text\":\"" + text + "\"}],\"prune\":false,\"onlyTry\":true}";
    }

    private static List<Deed> crowd(java.util.function.IntFunction<Deed> each) {
        List<Deed> deeds = new ArrayList<>();
        for (int i = 0; i < AT_ONCE; i++) {
            deeds.add(each.apply(i));
        }
        return deeds;
    }

    /** Each begins to send something and goes on with a byte a second. */
    private static void slow(RunningService service) throws Exception {
        List<Socket> all = new ArrayList<>();
        var head = ("POST /api/v1/session HTTP/1.1\r\nHost: 127.0.0.1:" + SERVICE
                        + "\r\nContent-Type: application/json\r\nContent-Length: 9000\r\n\r\n")
                .getBytes(StandardCharsets.US_ASCII);
        for (int i = 0; i < SLOW; i++) {
            var socket = new Socket(InetAddress.getLoopbackAddress(), SERVICE);
            socket.getOutputStream().write(head);
            all.add(socket);
        }
        looks(service, "beside %,d connections of a byte a second".formatted(SLOW), List.of(() -> {
            for (var socket : all) {
                try {
                    socket.getOutputStream().write(' ');
                } catch (IOException e) {
                    // It was broken off, as it ought to be.
                }
            }
            Thread.sleep(1_000);
        }));
        for (var socket : all) {
            socket.close();
        }
    }

    private static void looks(RunningService service, String how, List<Deed> others) throws Exception {
        var enough = new AtomicBoolean();
        List<Thread> threads = new ArrayList<>();
        for (var deed : others) {
            threads.add(Thread.ofVirtual().start(() -> {
                while (!enough.get()) {
                    try {
                        deed.once();
                    } catch (Exception e) {
                        // Broken off; they try again.
                    }
                }
            }));
        }
        List<Double> waits = new ArrayList<>();
        long end = System.nanoTime() + SECONDS * 1_000_000_000L;
        for (int n = 0; System.nanoTime() < end; n++) {
            long began = System.nanoTime();
            service.get(LOOKED_AT.get(n % LOOKED_AT.size()));
            waits.add((System.nanoTime() - began) / 1e6);
            Thread.sleep(BETWEEN);
        }
        enough.set(true);
        for (var thread : threads) {
            thread.join();
        }
        Collections.sort(waits);
        System.out.printf(
                "%s: median %.0f ms, 99th percentile %.0f ms, the slowest %.0f ms, of %,d%n",
                how, waits.get(waits.size() / 2), waits.get(waits.size() * 99 / 100), waits.getLast(), waits.size());
    }
}
