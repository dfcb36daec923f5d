package choir.server.reading;

import choir.family.Family;
import choir.link.ChannelWrite;
import choir.link.LinkException;
import choir.link.LinkException.Reason;
import choir.link.RecorderAccess;
import choir.link.RecorderLink;
import choir.link.RecorderReading;
import choir.link.Writing;
import choir.link.Written;
import choir.server.ServiceSettings;
import choir.server.account.Secrets;
import choir.server.family.KnownFamilies;
import choir.server.fleet.FleetStore;
import choir.server.fleet.PasswordStore;
import choir.server.fleet.PasswordStore.Taken;
import choir.server.fleet.StoredRecorder;
import java.time.Duration;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.CompletionException;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.ExecutionException;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Semaphore;
import java.util.concurrent.TimeUnit;
import java.util.function.Function;
import java.util.function.Supplier;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.context.event.ContextClosedEvent;
import org.springframework.context.event.EventListener;
import org.springframework.stereotype.Component;

/**
 * All talking to recorders. One conversation at a time with each recorder, a limit for all together. Calls run on virtual
 * threads; what they find is handed to the caller's own thread, which alone touches the database. A recorder stays held
 * until whoever holds it has stored what it learned, so that nothing older can be stored after something newer.
 */
@Component
public class Devices {
    private static final Logger LOG = LoggerFactory.getLogger(Devices.class);
    /** How long a person waits for somebody else who speaks to the recorder. */
    private static final Duration A_PERSONS_PATIENCE = Duration.ofSeconds(5);
    /** A whole writing, and a reading before and after it. */
    private static final Duration LONGEST_WAIT = Duration.ofMinutes(5);

    /** What came of asking one recorder. */
    public sealed interface Outcome {
        /** @param otherRanges in what the ranges that it tells of differ from its family file; empty when it was not asked */
        record Reached(RecorderReading reading, PasswordStore.Taken taken, Optional<List<String>> otherRanges)
                implements Outcome {}

        record Failed(LinkException why) implements Outcome {}

        /** It has no network interface; what it holds is known from work sheets. */
        record OnSite() implements Outcome {}
    }

    private final RecorderLink link;
    private final FleetStore fleet;
    private final KnownFamilies families;
    private final Secrets secrets;
    private final Subscriptions subscriptions;
    private final PasswordStore passwords;
    private final Semaphore calls;
    private final Map<String, Semaphore> held = new ConcurrentHashMap<>();
    private final ExecutorService threads = Executors.newVirtualThreadPerTaskExecutor();
    private volatile boolean stopping;

    Devices(
            RecorderLink link,
            FleetStore fleet,
            KnownFamilies families,
            Secrets secrets,
            Subscriptions subscriptions,
            PasswordStore passwords,
            ServiceSettings settings) {
        this.passwords = passwords;
        this.subscriptions = subscriptions;
        this.link = link;
        this.fleet = fleet;
        this.families = families;
        this.secrets = secrets;
        this.calls = new Semaphore(settings.callsAtOnce(), true);
    }

    /** From here on a call that breaks off tells nothing about its recorder. */
    @EventListener(ContextClosedEvent.class)
    void stop() {
        stopping = true;
    }

    void refuseWhenStopping() {
        if (stopping) {
            throw new IllegalStateException("the service is stopping; a call to a recorder was given up");
        }
    }

    /** One recorder, held against everybody else until it is closed. */
    public final class Conversation implements AutoCloseable {
        private final StoredRecorder recorder;
        private final Semaphore hold;
        private boolean wrote;

        private Conversation(StoredRecorder recorder, Semaphore hold) {
            this.recorder = recorder;
            this.hold = hold;
        }

        /** Everything that it holds now. */
        public Outcome read() {
            var outcome = await(Devices.this.ask(recorder, wrote));
            if (outcome instanceof Outcome.Failed) {
                refuseWhenStopping();
            }
            return outcome;
        }

        /**
         * Writes to channels. The caller has journalled it before, and reads afterwards what came of it.
         *
         * @return for each channel how far it came
         * @throws IllegalStateException when the service stops meanwhile, so that only reading tells how far it came
         */
        public Writing write(List<ChannelWrite> writes) {
            var access = access(recorder);
            wrote = true;
            var written = await(CompletableFuture.supplyAsync(
                    () -> limited(() -> link.write(access.get(), writes)), threads));
            if (!written.channels().values().stream().allMatch(Written.Whole.class::isInstance)) {
                refuseWhenStopping();
            }
            return written;
        }

        /** Gives it a new password and tries which of the two it takes then. The caller has noted the new one before. */
        public PasswordTrial.Change changePassword(String fresh) {
            var access = access(recorder);
            var change = await(CompletableFuture.supplyAsync(
                    () -> limited(() -> new PasswordTrial(link, access.get(), fresh).change()), threads));
            if (change.which().isEmpty()) {
                refuseWhenStopping();
            }
            return change;
        }

        @Override
        public void close() {
            hold.release();
        }
    }

    /**
     * Holds a recorder.
     *
     * @throws LinkException when somebody else holds it for longer than any conversation takes
     */
    public Conversation hold(StoredRecorder recorder) {
        return new Conversation(recorder, acquire(recorder.name(), LONGEST_WAIT));
    }

    private Semaphore acquire(String recorder, Duration patience) {
        var hold = held.computeIfAbsent(recorder, n -> new Semaphore(1, true));
        try {
            if (hold.tryAcquire(patience.toMillis(), TimeUnit.MILLISECONDS)) {
                return hold;
            }
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            throw new IllegalStateException("interrupted while waiting for " + recorder, e);
        }
        throw new LinkException(
                Reason.REFUSED, recorder + " is still being spoken to by somebody else; try again in a moment");
    }

    /** A recorder that was asked, and is held until what it said has been stored. */
    record Asked(String recorder, Outcome outcome, Runnable release) {}

    /** Asks for everything that the recorder holds; never completes exceptionally. */
    CompletableFuture<Asked> askHeld(StoredRecorder recorder) {
        var question = question(recorder);
        return CompletableFuture.supplyAsync(
                        () -> {
                            var hold = acquire(recorder.name(), LONGEST_WAIT);
                            return new Asked(recorder.name(), asked(recorder, question), hold::release);
                        },
                        threads)
                .exceptionally(e -> new Asked(recorder.name(), failed(recorder, e), () -> {}));
    }

    /** @param wrote what it tells of changes now is what was just written */
    private CompletableFuture<Outcome> ask(StoredRecorder recorder, boolean wrote) {
        var question = question(recorder);
        return CompletableFuture.supplyAsync(
                () -> {
                    question.ifPresent(access -> limited(() -> {
                        subscriptions.lookBeforeReading(recorder.name(), access.get(), wrote);
                        return Boolean.TRUE;
                    }));
                    return asked(recorder, question);
                },
                threads);
    }

    /** Says something short to a recorder that nobody else is speaking to; fails at once when somebody is. */
    <T> CompletableFuture<T> visit(StoredRecorder recorder, Function<RecorderAccess, T> work) {
        return visit(recorder, Duration.ZERO, work);
    }

    /** The same, waiting for so long when somebody else is speaking to it. */
    <T> CompletableFuture<T> visit(StoredRecorder recorder, Duration patience, Function<RecorderAccess, T> work) {
        if (isOnSite(recorder)) {
            return CompletableFuture.failedFuture(
                    new LinkException(Reason.NOT_SUPPORTED, recorder.name() + " has no network interface"));
        }
        var access = access(recorder);
        return CompletableFuture.supplyAsync(
                () -> {
                    var hold = acquire(recorder.name(), patience);
                    try {
                        return limited(() -> work.apply(access.get()));
                    } finally {
                        hold.release();
                    }
                },
                threads);
    }

    /**
     * The answer to something short that a person asks of a recorder, who waits for it.
     *
     * @throws LinkException with the reason when it cannot be had
     */
    public <T> T answer(StoredRecorder recorder, Function<RecorderAccess, T> question) {
        return await(visit(recorder, A_PERSONS_PATIENCE, question));
    }

    /** Which device it is that answers. */
    RecorderReading.Device identity(RecorderAccess access) {
        return link.read(access).device();
    }

    /** What is needed to ask; it is looked up in the caller's thread. Empty for a recorder that cannot be asked. */
    private Optional<Supplier<RecorderAccess>> question(StoredRecorder recorder) {
        return isOnSite(recorder) ? Optional.empty() : Optional.of(access(recorder));
    }

    private Outcome asked(StoredRecorder recorder, Optional<Supplier<RecorderAccess>> question) {
        if (question.isEmpty()) {
            return new Outcome.OnSite();
        }
        try {
            return reached(recorder, question.get().get());
        } catch (RuntimeException e) {
            return failed(recorder, e);
        }
    }

    /** Where a new password is on its way, either may be the right one. */
    private Outcome reached(StoredRecorder recorder, RecorderAccess access) {
        try {
            return reached(recorder, access, recorder.passwordUnderWay() ? Taken.OLD : Taken.THE_ONLY);
        } catch (LinkException e) {
            var next = recorder.passwordUnderWay() && e.reason() == Reason.NOT_AUTHORIZED
                    ? passwords.next(recorder.name()).map(secrets::decrypt)
                    : Optional.<String>empty();
            if (next.isEmpty()) {
                throw e;
            }
            return reached(recorder, access.with(next.get()), Taken.NEW);
        }
    }

    private Outcome reached(StoredRecorder recorder, RecorderAccess access, Taken taken) {
        var reading = limited(() -> link.read(access));
        boolean sameFirmware =
                reading.device().firmware().equals(recorder.device().firmware());
        return new Outcome.Reached(
                reading, taken, sameFirmware && recorder.rangesKnown() ? Optional.empty() : otherRanges(access));
    }

    /** One that does not tell its ranges differs in none; one that is gone by now is asked the next time. */
    private Optional<List<String>> otherRanges(RecorderAccess access) {
        if (access.family().isEmpty()) {
            return Optional.empty();
        }
        try {
            return Optional.of(limited(() -> link.disagreements(access)));
        } catch (LinkException e) {
            return e.endsConversation() ? Optional.empty() : Optional.of(List.of());
        }
    }

    /** Whatever went wrong is told as trouble of that recorder, with its name. */
    private static Outcome.Failed failed(StoredRecorder recorder, Throwable thrown) {
        var cause = thrown instanceof CompletionException && thrown.getCause() != null ? thrown.getCause() : thrown;
        if (cause instanceof LinkException e) {
            return new Outcome.Failed(e);
        }
        LOG.warn("what {} said cannot be used", recorder.name(), cause);
        return new Outcome.Failed(
                new LinkException(Reason.GARBAGE, recorder.name() + " gave an answer that cannot be used", cause));
    }

    private <T> T limited(Supplier<T> work) {
        calls.acquireUninterruptibly();
        try {
            return work.get();
        } finally {
            calls.release();
        }
    }

    /** The password is decrypted when it is needed, and not for a whole sweep in advance. */
    private Supplier<RecorderAccess> access(StoredRecorder recorder) {
        var secret = fleet.secret(recorder.name());
        var family = families.named(recorder.family());
        return () -> new RecorderAccess(
                recorder.name(),
                recorder.address().orElseThrow(),
                recorder.username(),
                secrets.decrypt(secret),
                recorder.certificate(),
                family);
    }

    private boolean isOnSite(StoredRecorder recorder) {
        return families.named(recorder.family())
                .map(Family::onSite)
                .orElse(recorder.address().isEmpty());
    }

    /**
     * A still of what a camera sees now, as JPEG. It waits for the recorder only so long, since a picture is worth little
     * later.
     */
    CompletableFuture<byte[]> still(StoredRecorder recorder, String channel, Duration patience) {
        return visit(recorder, patience, access -> link.still(access, channel));
    }

    private static <T> T await(CompletableFuture<T> call) {
        try {
            return call.get();
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            throw new IllegalStateException("interrupted while waiting for a recorder", e);
        } catch (ExecutionException e) {
            throw e.getCause() instanceof RuntimeException r ? r : new IllegalStateException(e.getCause());
        }
    }
}
