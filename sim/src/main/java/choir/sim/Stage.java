package choir.sim;

import com.sun.net.httpserver.HttpExchange;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.concurrent.ScheduledExecutorService;
import java.util.concurrent.ScheduledFuture;
import java.util.concurrent.TimeUnit;
import java.util.concurrent.atomic.AtomicInteger;

/** Plays one scenario at a time. */
final class Stage {
    private static final int LARGEST = 1_000_000;

    private final FrontPanel panel;
    private final ScheduledExecutorService clock;
    private final List<ScheduledFuture<?>> left = new ArrayList<>();
    private final AtomicInteger done = new AtomicInteger();
    private final List<String> troubles = new ArrayList<>();

    Stage(FrontPanel panel, ScheduledExecutorService clock) {
        this.panel = panel;
        this.clock = clock;
    }

    /** {@code POST /scenario} plays its body instead of what was played; {@code GET} says how far it is. */
    void handle(HttpExchange exchange) throws IOException {
        try {
            if (exchange.getRequestMethod().equals("POST")) {
                var body = exchange.getRequestBody().readNBytes(LARGEST);
                play(Scenario.parse(new String(body, StandardCharsets.UTF_8)));
            }
            SoapDoor.send(exchange, 200, "text/plain", told());
        } catch (IllegalArgumentException e) {
            SoapDoor.send(exchange, 400, "text/plain", e.getMessage() + "\n");
        }
    }

    synchronized void play(Scenario scenario) {
        left.forEach(f -> f.cancel(false));
        left.clear();
        done.set(0);
        troubles.clear();
        for (var act : scenario.acts()) {
            left.add(clock.schedule(() -> play(act), scenario.played(act).toMillis(), TimeUnit.MILLISECONDS));
        }
    }

    private void play(Scenario.Act act) {
        try {
            panel.turn(act.turn());
            done.incrementAndGet();
        } catch (IllegalArgumentException | SimSoapFault e) {
            synchronized (this) {
                troubles.add(act.after() + " " + act.turn() + ": " + e.getMessage());
            }
        }
    }

    private synchronized String told() {
        return done + " of " + left.size() + " played\n"
                + String.join("", troubles.stream().map(t -> t + "\n").toList());
    }
}
