package choir.server.web;

import java.io.IOException;
import java.time.Duration;
import java.util.concurrent.ExecutionException;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Semaphore;
import java.util.concurrent.TimeUnit;
import java.util.function.Consumer;
import java.util.function.Supplier;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.web.servlet.mvc.method.annotation.SseEmitter;

/**
 * One listener at the far end of a stream of server-sent events. It is rung as often as one likes; its own thread then sends
 * what there is to tell at that moment. A listener that reads slowly hears less often, and holds up nobody.
 */
public final class Mailbox {
    private static final Logger LOG = LoggerFactory.getLogger(Mailbox.class);
    private static final Duration LIFE = Duration.ofHours(1);
    private static final Duration SIGN_OF_LIFE = Duration.ofSeconds(20);
    /** What moves quickly is told this often at most. */
    private static final Duration PAUSE = Duration.ofMillis(100);

    /** Those who look things up are few and of the platform, since the database holds the thread that asks it. */
    private static final ExecutorService LOOKS = Executors.newFixedThreadPool(
            2, Thread.ofPlatform().name("look-", 1).daemon().factory());

    /**
     * What there is to tell.
     *
     * @param last there will be nothing more
     */
    public record Told(String event, Object data, boolean last) {}

    private final SseEmitter emitter = new SseEmitter(LIFE.toMillis());
    private final Semaphore rung = new Semaphore(1);
    private final Supplier<Told> look;
    private volatile boolean over;

    private Mailbox(Supplier<Told> look) {
        this.look = look;
    }

    /** @param onEnd is called once, when nobody listens any more or there is nothing more to tell */
    public static Mailbox open(Supplier<Told> look, Consumer<Mailbox> onEnd) {
        var mailbox = new Mailbox(look);
        mailbox.emitter.onCompletion(mailbox::close);
        mailbox.emitter.onTimeout(mailbox.emitter::complete);
        mailbox.emitter.onError(e -> mailbox.close());
        Thread.ofVirtual().name("mailbox").start(() -> {
            try {
                mailbox.run();
            } finally {
                onEnd.accept(mailbox);
            }
        });
        return mailbox;
    }

    public SseEmitter emitter() {
        return emitter;
    }

    /** There may be something new. */
    public void ring() {
        // One permit is enough: it says "look", not how often.
        if (rung.availablePermits() == 0) {
            rung.release();
        }
    }

    private void close() {
        over = true;
        rung.release();
    }

    private void run() {
        try {
            while (!over) {
                boolean rang = rung.tryAcquire(SIGN_OF_LIFE.toSeconds(), TimeUnit.SECONDS);
                if (over) {
                    return;
                }
                if (!rang) {
                    emitter.send(SseEmitter.event().comment("still here"));
                } else {
                    var told = LOOKS.submit(look::get).get();
                    emitter.send(SseEmitter.event().name(told.event()).data(told.data()));
                    if (told.last()) {
                        emitter.complete();
                        return;
                    }
                    Thread.sleep(PAUSE);
                }
            }
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
        } catch (IOException | IllegalStateException e) {
            LOG.debug("a listener went away", e);
        } catch (ExecutionException e) {
            LOG.error("a stream of events broke off", e);
            emitter.completeWithError(e);
        }
    }
}
