package choir.server.work;

import choir.refusal.Refusal;
import choir.server.db.Database;
import choir.server.db.StorageException;
import choir.server.web.Problem;
import jakarta.annotation.PreDestroy;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.ScheduledExecutorService;
import java.util.concurrent.TimeUnit;
import java.util.stream.Collectors;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.boot.context.event.ApplicationReadyEvent;
import org.springframework.context.event.EventListener;
import org.springframework.stereotype.Component;

/**
 * Keeps and runs long work. Each kind has its own lane, so that audits cannot hold up rollouts. What a restart interrupts
 * is taken up again by the runner of its kind.
 */
@Component
public class Works {
    private static final Logger LOG = LoggerFactory.getLogger(Works.class);
    private static final int SECONDS_TO_STOP = 10;
    private static final int AT_ONCE_OF_A_KIND = 2;
    private static final int SECONDS_TO_REST = 2;

    /** Does one kind of work. It is called again from the start after a crash and must then go on, not begin anew. */
    public interface Runner {
        Task.Kind kind();

        Ended run(Work work, Progress progress);
    }

    /**
     * How work came to its end.
     *
     * @param note one sentence for people
     */
    public record Ended(Work.State state, String note) {
        public static Ended done(String note) {
            return new Ended(Work.State.DONE, note);
        }

        /** Some of its units did not come to a good end. */
        public static Ended partly(String note) {
            return new Ended(Work.State.PARTLY, note);
        }

        /** None of them did. */
        public static Ended failed(String note) {
            return new Ended(Work.State.FAILED, note);
        }
    }

    /** Hears of work that has ended, within the transaction that says so. */
    public interface Follower {
        void workEnds(Work work);
    }

    /** How work tells how far it is, and hears that it ought to stop. */
    public interface Progress {
        /** How many units there are, and how many of them are settled already. */
        void begin(int total, int done, int failed);

        /** One unit more; within a transaction it is part of it. */
        void step(boolean failed);

        /** What it is waiting for, in words. */
        void tell(String note);

        /**
         * @throws Stopped when somebody asked for the work to stop
         * @throws Paused when somebody asked for it to pause
         */
        void goOn();
    }

    private final WorkRows rows;
    private final Database database;
    private final WorkWatchers watchers;
    private final Map<Task.Kind, Runner> runners;
    private final List<Follower> followers;
    private final Map<Task.Kind, ExecutorService> lanes = new EnumMap<>(Task.Kind.class);
    /** What a thread is at, and whether it was submitted once more meanwhile. */
    private final Map<Long, Boolean> underWay = new ConcurrentHashMap<>();

    /** What waits until something can be stored. */
    private final Set<Long> resting = ConcurrentHashMap.newKeySet();

    private final ScheduledExecutorService later = Executors.newSingleThreadScheduledExecutor(
            Thread.ofPlatform().name("resting work").daemon().factory());

    private volatile boolean stopping;

    Works(WorkRows rows, Database database, WorkWatchers watchers, List<Runner> runners, List<Follower> followers) {
        this.rows = rows;
        this.followers = followers;
        this.database = database;
        this.watchers = watchers;
        this.runners = runners.stream().collect(Collectors.toMap(Runner::kind, r -> r));
        for (var kind : Task.Kind.values()) {
            lanes.put(kind, lane(kind));
        }
    }

    /** A rollout may wait for hours or days, for its hours or for recorders that are away, and must not hold up others. */
    private static ExecutorService lane(Task.Kind kind) {
        var threads = Thread.ofPlatform().name(kind + "-", 1).factory();
        return switch (kind) {
            case ROLLOUT -> Executors.newCachedThreadPool(threads);
            case READING, AUDIT, REPORT, PASSWORDS, ACTIVITY, BACKUP, EXPORT ->
                Executors.newFixedThreadPool(AT_ONCE_OF_A_KIND, threads);
        };
    }

    @EventListener(ApplicationReadyEvent.class)
    void takeUpWhatWasInterrupted() {
        rows.interrupted().forEach(this::submit);
    }

    /** To be called within a transaction, so that the row and what belongs to it appear together. */
    public long add(Task task, String who) {
        return rows.add(task, who, Work.State.WAITING, "");
    }

    /** Work that begins once a second person lets it go; to be called within a transaction. */
    public long ask(Task task, String who) {
        return rows.add(task, who, Work.State.ASKED, "waits for a second person to let it go");
    }

    /** To be called after the transaction. */
    public void submit(long id) {
        if (stopping) {
            // The next start takes it up.
            return;
        }
        lanes.get(get(id).task().kind()).execute(() -> runAlone(id));
    }

    /** Whoever submits work while a thread is still at it has it looked at once more, after that, and not beside it. */
    private void runAlone(long id) {
        if (underWay.merge(id, Boolean.FALSE, (before, now) -> Boolean.TRUE)) {
            return;
        }
        try {
            run(id);
        } finally {
            if (Boolean.TRUE.equals(underWay.remove(id))) {
                submit(id);
            }
        }
    }

    /** Where nothing can be stored, it rests as it does while the service is stopped, and goes on when something can be. */
    private void run(long id) {
        try {
            attempt(id);
            resting.remove(id);
        } catch (StorageException e) {
            if (stopping) {
                return;
            }
            if (resting.add(id)) {
                LOG.warn("work {} rests until something can be stored: {}", id, e.getMessage());
            }
            var _ = later.schedule(() -> submit(id), SECONDS_TO_REST, TimeUnit.SECONDS);
        }
    }

    private void attempt(long id) {
        try {
            var work = get(id);
            var runner = runners.get(work.task().kind());
            if (runner == null || work.hasEnded()) {
                return;
            }
            if (work.task() instanceof Task.NotUnderstood(var kind, var why)) {
                LOG.error("work {} cannot be understood: {}", id, why);
                end(id, Work.State.FAILED, "what this work is to do cannot be understood any more: " + why);
                return;
            }
            if (rows.begin(id)) {
                watchers.moved(id);
                var ended = runner.run(get(id), progress(id));
                end(id, ended.state(), ended.note());
            }
        } catch (Paused e) {
            rest(id);
        } catch (Stopped e) {
            end(id, Work.State.STOPPED, String.valueOf(e.getMessage()));
        } catch (Problem | Refusal e) {
            end(id, Work.State.FAILED, String.valueOf(e.getMessage()));
        } catch (StorageException e) {
            throw e;
        } catch (RuntimeException | Error e) {
            if (stopping) {
                // Its row still says that it runs, so the next start takes it up where it was.
                return;
            }
            LOG.error("work {} failed", id, e);
            end(id, Work.State.FAILED, "the service failed; its log says more");
        }
    }

    /** Somebody asked for a pause; what is under way at a recorder was settled first. */
    public static final class Paused extends RuntimeException {
        Paused() {
            super("paused");
        }
    }

    /** Unless it was taken up again meanwhile. */
    private void rest(long id) {
        boolean rests = rows.rest(id);
        watchers.moved(id);
        if (!rests) {
            submit(id);
        }
    }

    /** Ends work before all was done, on purpose; the message is its closing note. */
    public static final class Stopped extends RuntimeException {
        public Stopped(String message) {
            super(message);
        }
    }

    private void end(long id, Work.State state, String note) {
        database.write(() -> {
            if (rows.end(id, state, note)) {
                var work = get(id);
                followers.forEach(f -> tell(f, work));
            }
        });
        watchers.moved(id);
    }

    /** That something cannot be told of must not keep work from ending. */
    private static void tell(Follower follower, Work work) {
        try {
            follower.workEnds(work);
        } catch (RuntimeException e) {
            LOG.error("that work {} has ended could not be passed on", work.id(), e);
        }
    }

    private Progress progress(long id) {
        return new Progress() {
            @Override
            public void begin(int total, int done, int failed) {
                rows.begun(id, total, done, failed);
                watchers.moved(id);
            }

            @Override
            public void step(boolean failed) {
                rows.step(id, failed);
                watchers.moved(id);
            }

            @Override
            public void tell(String note) {
                rows.tell(id, note);
                watchers.moved(id);
            }

            @Override
            public void goOn() {
                rows.stoppedBy(id).ifPresent(who -> {
                    throw new Stopped("stopped by " + who);
                });
                rows.pausedBy(id).ifPresent(who -> {
                    throw new Paused();
                });
            }
        };
    }

    /**
     * Asks for work to stop; what is under way at a recorder is settled first.
     *
     * @throws Problem when it has ended already
     */
    void stop(long id, String who) {
        wish(id, WorkRows.Wish.STOP, who);
    }

    /** Asks for all work to stop, before any of it is taken up at the start. */
    public void stopAll(String who) {
        rows.going().forEach(id -> rows.wish(id, WorkRows.Wish.STOP, who));
    }

    /**
     * Asks for work to rest; what is under way at a recorder is settled first.
     *
     * @throws Problem when it is not running
     */
    public void pause(long id, String who) {
        rows.wish(id, WorkRows.Wish.PAUSE, who);
        watchers.moved(id);
    }

    /** @throws Problem when it is not paused */
    public void resume(long id, String who) {
        wish(id, WorkRows.Wish.RESUME, who);
    }

    /**
     * Lets work go that waits for a second person.
     *
     * @throws Problem when it does not wait for one, or is let go by who asked for it
     */
    public void approve(long id, String who) {
        if (get(id).who().equals(who)) {
            throw new Problem(
                    Problem.Kind.CONFLICT,
                    "you asked for " + id + " yourself; somebody else lets it go, or you stop it");
        }
        wish(id, WorkRows.Wish.APPROVE, who);
    }

    /** Where no thread is at it, one takes it up, to follow the wish. */
    private void wish(long id, WorkRows.Wish wish, String who) {
        rows.wish(id, wish, who);
        watchers.moved(id);
        if (get(id).state() == Work.State.WAITING) {
            submit(id);
        }
    }

    /** Those that wait for a second person, the oldest first. */
    public List<Work> asked() {
        return rows.asked();
    }

    public Work get(long id) {
        return rows.get(id);
    }

    /** The newest first. */
    public List<Work> list(Task.Kind kind, int limit) {
        return rows.newest(kind, limit);
    }

    @PreDestroy
    void stop() throws InterruptedException {
        stopping = true;
        later.shutdownNow();
        lanes.values().forEach(ExecutorService::shutdownNow);
        for (var lane : lanes.values()) {
            if (!lane.awaitTermination(SECONDS_TO_STOP, TimeUnit.SECONDS)) {
                LOG.warn("work is still running while the service stops; the next start settles it");
            }
        }
    }
}
