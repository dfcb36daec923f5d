package choir.server.reading;

import choir.family.Family;
import choir.family.NativeValue;
import choir.fleet.RecorderName;
import choir.link.LinkException;
import choir.link.RecorderAccess;
import choir.link.RecorderLink;
import choir.link.RecorderReading;
import choir.policy.SettingKey;
import choir.server.ServiceSettings;
import choir.server.account.Secrets;
import choir.server.db.Database;
import choir.server.family.KnownFamilies;
import choir.server.fleet.FleetStore;
import choir.server.fleet.StoredRecorder;
import java.net.URI;
import java.time.Clock;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.concurrent.BlockingQueue;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.LinkedBlockingQueue;
import java.util.concurrent.Semaphore;
import java.util.concurrent.locks.ReentrantLock;
import java.util.function.Consumer;
import org.springframework.context.event.ContextClosedEvent;
import org.springframework.context.event.EventListener;
import org.springframework.stereotype.Component;

/**
 * All talking to recorders. One conversation at a time with each recorder, a limit for all together. Conversations run
 * on virtual threads; what they find is handed to the caller's own thread, which alone touches the database.
 */
@Component
public class Devices {
    /** What came of asking one recorder. */
    public sealed interface Outcome {
        StoredRecorder recorder();

        record Reached(StoredRecorder recorder, RecorderReading reading) implements Outcome {}

        record Failed(StoredRecorder recorder, LinkException why) implements Outcome {}

        /** It has no network interface; what it holds is known from work sheets. */
        record OnSite(StoredRecorder recorder) implements Outcome {}
    }

    private final RecorderLink link;
    private final FleetStore fleet;
    private final ObservationStore observations;
    private final KnownFamilies families;
    private final Secrets secrets;
    private final Database database;
    private final Clock clock;
    private final Semaphore calls;
    private final Map<String, ReentrantLock> locks = new ConcurrentHashMap<>();
    private final ExecutorService threads = Executors.newVirtualThreadPerTaskExecutor();
    private volatile boolean stopping;

    Devices(
            RecorderLink link,
            FleetStore fleet,
            ObservationStore observations,
            KnownFamilies families,
            Secrets secrets,
            Database database,
            Clock clock,
            ServiceSettings settings) {
        this.link = link;
        this.fleet = fleet;
        this.observations = observations;
        this.families = families;
        this.secrets = secrets;
        this.database = database;
        this.clock = clock;
        this.calls = new Semaphore(settings.callsAtOnce());
    }

    /** From here on a call that breaks off tells nothing about its recorder. */
    @EventListener(ContextClosedEvent.class)
    void stop() {
        stopping = true;
    }

    private void refuseWhenStopping() {
        if (stopping) {
            throw new IllegalStateException("the service is stopping; a call to a recorder was given up");
        }
    }

    private RecorderAccess access(StoredRecorder recorder) {
        return new RecorderAccess(
                URI.create(recorder.address()),
                recorder.username(),
                secrets.decrypt(fleet.secret(recorder.name())),
                families.named(recorder.family()));
    }

    /** Reads the recorders at the same time and stores each answer as it comes; then tells of it. */
    public List<Outcome> read(List<StoredRecorder> recorders, Consumer<Outcome> each) {
        BlockingQueue<Outcome> answers = new LinkedBlockingQueue<>();
        for (var recorder : recorders) {
            if (isOnSite(recorder)) {
                answers.add(new Outcome.OnSite(recorder));
                continue;
            }
            var access = access(recorder);
            threads.execute(() -> answers.add(ask(recorder, access)));
        }
        List<Outcome> outcomes = new ArrayList<>(recorders.size());
        for (int i = 0; i < recorders.size(); i++) {
            var outcome = take(answers);
            if (outcome instanceof Outcome.Failed) {
                refuseWhenStopping();
            }
            store(outcome);
            each.accept(outcome);
            outcomes.add(outcome);
        }
        return outcomes;
    }

    private boolean isOnSite(StoredRecorder recorder) {
        return families.named(recorder.family()).map(Family::onSite).orElse(false);
    }

    /** A still of what a camera sees now, as JPEG. */
    public byte[] still(StoredRecorder recorder, String channel) {
        if (isOnSite(recorder)) {
            throw new LinkException(
                    LinkException.Reason.NOT_SUPPORTED, recorder.name() + " has no network interface and no picture");
        }
        var access = access(recorder);
        return alone(recorder, () -> link.still(access, channel));
    }

    private static Outcome take(BlockingQueue<Outcome> answers) {
        try {
            return answers.take();
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            throw new IllegalStateException("interrupted while waiting for recorders", e);
        }
    }

    private Outcome ask(StoredRecorder recorder, RecorderAccess access) {
        try {
            return new Outcome.Reached(recorder, alone(recorder, () -> link.read(access)));
        } catch (LinkException e) {
            return new Outcome.Failed(recorder, e);
        } catch (RuntimeException e) {
            return new Outcome.Failed(
                    recorder,
                    new LinkException(
                            LinkException.Reason.GARBAGE, recorder.name() + " gave an answer that cannot be used", e));
        }
    }

    private <T> T alone(StoredRecorder recorder, java.util.function.Supplier<T> work) {
        var lock = locks.computeIfAbsent(recorder.name(), n -> new ReentrantLock());
        lock.lock();
        calls.acquireUninterruptibly();
        try {
            return work.get();
        } finally {
            calls.release();
            lock.unlock();
        }
    }

    /**
     * Writes to channels of one recorder. The caller has journalled it before, and reads afterwards what came of it.
     *
     * @return for each channel that failed, why
     * @throws IllegalStateException when the service stops meanwhile, so that only reading tells how far it came
     */
    public Map<String, LinkException> write(
            StoredRecorder recorder, Map<String, Map<SettingKey, NativeValue>> byChannel) {
        var access = access(recorder);
        var failed = alone(recorder, () -> link.write(access, byChannel));
        if (!failed.isEmpty()) {
            refuseWhenStopping();
        }
        return failed;
    }

    private void store(Outcome outcome) {
        var now = clock.instant();
        var name = outcome.recorder().name();
        database.write(() -> {
            switch (outcome) {
                case Outcome.OnSite onSite -> {
                    // Nothing was asked and nothing is new.
                }
                case Outcome.Failed failed ->
                    database.change("UPDATE recorder SET trouble = :trouble, tried_at = :at WHERE name = :name")
                            .param("trouble", String.valueOf(failed.why().getMessage()))
                            .param("at", now.toString())
                            .param("name", name)
                            .update();
                case Outcome.Reached(var recorder, var reading) -> {
                    if (!recorder.firmware().isEmpty()
                            && !recorder.firmware().equals(reading.device().firmware())) {
                        observations.distrust(name);
                    }
                    seen(name, reading, now.toString());
                    for (var channel : reading.channels()) {
                        fleet.seen(new RecorderName(name), channel.channel(), channel.label(), channel.deviceName());
                    }
                    var ids = database
                            .change("SELECT channel, id FROM camera WHERE recorder = :name")
                            .param("name", name)
                            .query((row, n) -> Map.entry(row.getString("channel"), row.getLong("id")))
                            .list()
                            .stream()
                            .collect(java.util.stream.Collectors.toMap(Map.Entry::getKey, Map.Entry::getValue));
                    for (var channel : reading.channels()) {
                        observations.observed(ids.get(channel.channel()), channel.config(), now);
                    }
                }
            }
        });
    }

    private void seen(String name, RecorderReading reading, String at) {
        database.change("""
                        UPDATE recorder SET trouble = '', manufacturer = :manufacturer, model = :model,
                          firmware = :firmware, serial = :serial, clock_ahead_seconds = :ahead, posix_zone = :zone, read_at = :at,
                          tried_at = :at
                        WHERE name = :name
                        """)
                .param("manufacturer", reading.device().manufacturer())
                .param("model", reading.device().model())
                .param("firmware", reading.device().firmware())
                .param("serial", reading.device().serial())
                .param("ahead", reading.clockAhead().toSeconds())
                .param("zone", reading.posixZone())
                .param("at", at)
                .param("name", name)
                .update();
    }
}
