package choir.server.reading;

import choir.link.LinkException;
import choir.link.LinkException.Reason;
import choir.server.ServiceSettings;
import choir.server.family.KnownFamilies;
import choir.server.fleet.FleetStore;
import choir.server.fleet.StoredRecorder;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.TimeUnit;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.context.event.ContextClosedEvent;
import org.springframework.context.event.EventListener;
import org.springframework.scheduling.annotation.Scheduled;
import org.springframework.stereotype.Component;

/**
 * Goes round the recorders and fetches what they tell of their changes, a few at a time, without keeping a connection open.
 * One that somebody else is speaking to is left for the next round, one that tells nothing is asked again after a day.
 */
@Component
class ChangeEvents implements Followed {
    private static final Logger LOG = LoggerFactory.getLogger(ChangeEvents.class);
    private static final int AT_ONCE = 32;
    private static final Duration SILENT = Duration.ofDays(1);
    /** So many rounds a recorder that was busy, or could not be asked, is left in peace. */
    private static final int AFTER_TROUBLE = 12;

    /** With very many recorders a round takes longer, rather than the service being busy with nothing else. */
    private static final Duration SHARE = Duration.ofMillis(5);

    private static final long GOING_SECONDS = 3;

    private final Devices devices;
    private final Subscriptions subscriptions;
    private final FleetStore fleet;
    private final KnownFamilies families;
    private final ServiceSettings settings;
    private final Clock clock;
    /** When each recorder is looked at next. */
    private final Map<String, Instant> next = new ConcurrentHashMap<>();

    /** Those that are left in peace until somebody can read them: a wrong password that is tried again and again locks it out. */
    private final Set<String> refusing = ConcurrentHashMap.newKeySet();

    private final Set<String> underWay = ConcurrentHashMap.newKeySet();
    private Instant refreshed = Instant.MIN;
    private volatile boolean stopping;

    ChangeEvents(
            Devices devices,
            Subscriptions subscriptions,
            FleetStore fleet,
            KnownFamilies families,
            ServiceSettings settings,
            Clock clock) {
        this.devices = devices;
        this.subscriptions = subscriptions;
        this.fleet = fleet;
        this.families = families;
        this.settings = settings;
        this.clock = clock;
    }

    @Scheduled(fixedDelayString = "${choir.change-tick:1s}")
    void round() {
        if (settings.changePoll().isZero() || stopping) {
            return;
        }
        var now = clock.instant();
        if (Duration.between(refreshed, now).compareTo(settings.changePoll().multipliedBy(2)) > 0) {
            refreshed = now;
            refresh(now);
        }
        for (var entry : next.entrySet()) {
            if (underWay.size() >= AT_ONCE) {
                return;
            }
            if (!entry.getValue().isAfter(now) && !refusing.contains(entry.getKey()) && underWay.add(entry.getKey())) {
                look(entry.getKey());
            }
        }
    }

    private void refresh(Instant now) {
        var asked = fleet.recorders().stream()
                .filter(r -> r.address().isPresent())
                .filter(r -> families.named(r.family())
                        .filter(f -> f.onSite() || f.sleeps())
                        .isEmpty())
                .map(StoredRecorder::name)
                .collect(java.util.stream.Collectors.toSet());
        next.keySet().stream().filter(n -> !asked.contains(n)).toList().forEach(gone -> {
            next.remove(gone);
            refusing.remove(gone);
            subscriptions.forget(gone);
        });
        asked.forEach(name -> next.putIfAbsent(name, now));
    }

    /** Whoever can be read can be asked again. */
    @Override
    public void by(String recorder, Devices.Outcome outcome) {
        if (outcome instanceof Devices.Outcome.Reached) {
            refusing.remove(recorder);
        }
    }

    private void look(String name) {
        var recorder = fleet.find(name);
        if (recorder.isEmpty()) {
            underWay.remove(name);
            return;
        }
        var _ = devices.visit(recorder.get(), access -> subscriptions.look(name, access, false))
                .handle((tells, trouble) -> {
                    var at = clock.instant().plus(pause(name, tells, trouble));
                    next.computeIfPresent(name, (n, before) -> at);
                    underWay.remove(name);
                    return null;
                });
    }

    private Duration pause(
            String name,
            @org.jspecify.annotations.Nullable Boolean tells,
            @org.jspecify.annotations.Nullable Throwable trouble) {
        if (trouble != null) {
            var cause = trouble.getCause() == null ? trouble : trouble.getCause();
            if (!(cause instanceof LinkException e)) {
                LOG.warn("what {} told of its changes cannot be used", name, trouble);
            } else if (e.reason() == Reason.NOT_AUTHORIZED || e.reason() == Reason.CERTIFICATE) {
                refusing.add(name);
            }
            return settings.changePoll().multipliedBy(AFTER_TROUBLE);
        }
        var round = SHARE.multipliedBy(next.size());
        return Boolean.TRUE.equals(tells)
                ? settings.changePoll().compareTo(round) > 0 ? settings.changePoll() : round
                : SILENT;
    }

    /** Recorders keep only so many subscriptions, so they get theirs back, as far as that goes quickly. */
    @EventListener(ContextClosedEvent.class)
    void stop() {
        stopping = true;
        List<CompletableFuture<Boolean>> given = next.keySet().stream()
                .filter(subscriptions::isListenedTo)
                .flatMap(name -> fleet.find(name).stream())
                .map(r -> devices.visit(r, access -> {
                    subscriptions.giveBack(r.name(), access);
                    return true;
                }))
                .toList();
        try {
            var _ = CompletableFuture.allOf(given.toArray(CompletableFuture[]::new))
                    .exceptionally(e -> null)
                    .get(GOING_SECONDS, TimeUnit.SECONDS);
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
        } catch (java.util.concurrent.ExecutionException | java.util.concurrent.TimeoutException e) {
            LOG.info("not every recorder got its subscription back; it lets it go by itself");
        }
    }
}
