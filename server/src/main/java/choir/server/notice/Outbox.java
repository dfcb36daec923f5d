package choir.server.notice;

import jakarta.annotation.PreDestroy;
import java.time.Clock;
import java.time.Duration;
import java.util.HashSet;
import java.util.Set;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.atomic.AtomicBoolean;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.scheduling.annotation.Scheduled;
import org.springframework.stereotype.Component;

/**
 * Sends what is due, on a thread of its own. What cannot be sent is tried again after 1, 2, 4 minutes and so on, up to six
 * hours apart, for three days. A target that fails holds up nobody else: its other entries wait for the next round. An entry
 * goes out at least once; where the service dies between sending and noting it, twice with the same identity.
 */
@Component
class Outbox {
    private static final Logger LOG = LoggerFactory.getLogger(Outbox.class);
    private static final Duration LONGEST_WAIT = Duration.ofHours(6);
    private static final Duration PATIENCE = Duration.ofDays(3);
    private static final Duration KEPT = Duration.ofDays(90);

    private final OutboxStore store;
    private final RuleStore rules;
    private final MailPost mail;
    private final WebhookPost webhooks;
    private final Clock clock;
    private final ExecutorService lane = Executors.newSingleThreadExecutor(
            Thread.ofPlatform().name("outbox").daemon().factory());
    private final AtomicBoolean busy = new AtomicBoolean();

    Outbox(OutboxStore store, RuleStore rules, MailPost mail, WebhookPost webhooks, Clock clock) {
        this.store = store;
        this.rules = rules;
        this.mail = mail;
        this.webhooks = webhooks;
        this.clock = clock;
    }

    @Scheduled(fixedDelay = 2_000)
    void tick() {
        if (busy.compareAndSet(false, true)) {
            lane.execute(() -> {
                try {
                    sendWhatIsDue();
                } catch (RuntimeException e) {
                    LOG.error("the outbox could not be worked off; it is tried again", e);
                } finally {
                    busy.set(false);
                }
            });
        }
    }

    @Scheduled(fixedDelay = 3_600_000)
    void forget() {
        store.forgetBefore(KEPT);
    }

    private void sendWhatIsDue() {
        Set<String> failing = new HashSet<>();
        for (var entry : store.due()) {
            var to = entry.rule().map(String::valueOf).or(entry::mail).orElse("");
            if (!failing.contains(to)) {
                try {
                    send(entry);
                    store.settle(entry.id(), OutboxStore.State.SENT, "");
                } catch (NotSent e) {
                    failing.add(to);
                    postpone(entry, String.valueOf(e.getMessage()));
                }
            }
        }
    }

    private void send(OutboxStore.Entry entry) throws NotSent {
        if (entry.mail().isPresent()) {
            mail.send(new Target.Mail(entry.mail().get()), entry);
            return;
        }
        var rule = entry.rule().flatMap(rules::find).orElseThrow(() -> new NotSent("its rule was taken away"));
        switch (rule.target()) {
            case Target.Mail to -> mail.send(to, entry);
            case Target.Webhook to ->
                webhooks.send(to, entry, rules.secret(rule.id()).orElse(""));
        }
    }

    private void postpone(OutboxStore.Entry entry, String why) {
        var now = clock.instant();
        if (entry.createdAt().plus(PATIENCE).isBefore(now)) {
            store.settle(entry.id(), OutboxStore.State.GIVEN_UP, why);
            return;
        }
        var wait = Duration.ofMinutes(1L << Math.min(entry.attempts(), 10));
        store.tryAgain(entry.id(), now.plus(wait.compareTo(LONGEST_WAIT) < 0 ? wait : LONGEST_WAIT), why);
    }

    @PreDestroy
    void stop() {
        lane.shutdownNow();
    }
}
