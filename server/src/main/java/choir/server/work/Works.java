package choir.server.work;

import choir.refusal.Refusal;
import choir.server.db.Database;
import choir.server.web.Problem;
import jakarta.annotation.PreDestroy;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.time.Clock;
import java.time.Instant;
import java.util.EnumMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
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
    private static final String WORK = """
            SELECT id, kind, state, task, who, total, done, failed, note, created_at, started_at, ended_at, approved_by
            FROM work
            """;

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

    private final Database database;
    private final Clock clock;
    private final WorkWatchers watchers;
    private final Map<Task.Kind, Runner> runners;
    private final List<Follower> followers;
    private final Map<Task.Kind, ExecutorService> lanes = new EnumMap<>(Task.Kind.class);
    private volatile boolean stopping;

    Works(Database database, Clock clock, WorkWatchers watchers, List<Runner> runners, List<Follower> followers) {
        this.followers = followers;
        this.database = database;
        this.clock = clock;
        this.watchers = watchers;
        this.runners = runners.stream().collect(Collectors.toMap(Runner::kind, r -> r));
        for (var kind : Task.Kind.values()) {
            var threads = Thread.ofPlatform().name(kind + "-", 1).factory();
            lanes.put(kind, Executors.newFixedThreadPool(AT_ONCE_OF_A_KIND, threads));
        }
    }

    @EventListener(ApplicationReadyEvent.class)
    void takeUpWhatWasInterrupted() {
        database.query(WORK + " WHERE state IN ('WAITING', 'RUNNING') ORDER BY id")
                .query((row, n) -> row.getLong("id"))
                .list()
                .forEach(this::submit);
    }

    /** To be called within a transaction, so that the row and what belongs to it appear together. */
    public long add(Task task, String who) {
        return add(task, who, Work.State.WAITING, "");
    }

    /** Work that begins once a second person lets it go; to be called within a transaction. */
    public long ask(Task task, String who) {
        return add(task, who, Work.State.ASKED, "waits for a second person to let it go");
    }

    private long add(Task task, String who, Work.State state, String note) {
        return database.change("""
                        INSERT INTO work (kind, state, task, who, note, created_at)
                        VALUES (:kind, :state, :task, :who, :note, :at) RETURNING id
                        """)
                .param("state", state.name())
                .param("note", note)
                .param("kind", task.kind().name())
                .param("task", TaskJson.write(task))
                .param("who", who)
                .param("at", clock.instant().toString())
                .query(Long.class)
                .single();
    }

    /** To be called after the transaction. */
    public void submit(long id) {
        var kind = Task.Kind.valueOf(database.query("SELECT kind FROM work WHERE id = :id")
                .param("id", id)
                .query(String.class)
                .single());
        lanes.get(kind).execute(() -> run(id));
    }

    private void run(long id) {
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
            if (begin(id)) {
                var ended = runner.run(get(id), progress(id));
                end(id, ended.state(), ended.note());
            }
        } catch (Paused e) {
            rest(id);
        } catch (Stopped e) {
            end(id, Work.State.STOPPED, String.valueOf(e.getMessage()));
        } catch (Problem | Refusal e) {
            end(id, Work.State.FAILED, String.valueOf(e.getMessage()));
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
        int resting = database.write(() -> database.change("""
                        UPDATE work SET state = 'PAUSED', note = 'paused by ' || paused_by
                        WHERE id = :id AND state = 'RUNNING' AND paused_by IS NOT NULL
                        """).param("id", id).update());
        watchers.moved(id);
        if (resting == 0) {
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
            int ended = database.change("""
                            UPDATE work SET state = :state, note = :note, ended_at = :at
                            WHERE id = :id AND state IN ('WAITING', 'RUNNING')
                            """)
                    .param("state", state.name())
                    .param("note", note)
                    .param("at", clock.instant().toString())
                    .param("id", id)
                    .update();
            if (ended > 0) {
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
                database.write(() -> database.change(
                                "UPDATE work SET total = :total, done = :done, failed = :failed WHERE id = :id")
                        .param("total", total)
                        .param("done", done)
                        .param("failed", failed)
                        .param("id", id)
                        .update());
                watchers.moved(id);
            }

            @Override
            public void step(boolean failed) {
                database.write(() -> database.change(
                                "UPDATE work SET done = done + 1, failed = failed + :failed WHERE id = :id")
                        .param("failed", failed ? 1 : 0)
                        .param("id", id)
                        .update());
                watchers.moved(id);
            }

            @Override
            public void tell(String note) {
                database.write(() -> database.change("UPDATE work SET note = :note WHERE id = :id")
                        .param("note", note)
                        .param("id", id)
                        .update());
                watchers.moved(id);
            }

            @Override
            public void goOn() {
                askedBy(id, "stopped_by").ifPresent(who -> {
                    throw new Stopped("stopped by " + who);
                });
                askedBy(id, "paused_by").ifPresent(who -> {
                    throw new Paused();
                });
            }
        };
    }

    /** @return false when it rests, has ended, or nobody let it go yet */
    private boolean begin(long id) {
        int begun = database.write(() -> database.change("""
                        UPDATE work SET state = 'RUNNING', started_at = coalesce(started_at, :at)
                        WHERE id = :id AND state IN ('WAITING', 'RUNNING')
                        """)
                .param("at", clock.instant().toString())
                .param("id", id)
                .update());
        watchers.moved(id);
        return begun == 1;
    }

    private Optional<String> askedBy(long id, String column) {
        return database.query("SELECT " + column + " FROM work WHERE id = :id AND " + column + " IS NOT NULL")
                .param("id", id)
                .query(String.class)
                .optional();
    }

    /**
     * Asks for work to stop; what is under way at a recorder is settled first.
     *
     * @throws Problem when it has ended already
     */
    void stop(long id, String who) {
        var before = get(id).state();
        ask(id, "work " + id + " has ended, or is stopping already", """
                        UPDATE work SET stopped_by = :who, paused_by = NULL,
                          state = CASE WHEN state IN ('PAUSED', 'ASKED') THEN 'WAITING' ELSE state END
                        WHERE id = :id AND state IN ('ASKED', 'WAITING', 'RUNNING', 'PAUSED') AND stopped_by IS NULL
                        """, who);
        if (before == Work.State.PAUSED || before == Work.State.ASKED) {
            submit(id);
        }
    }

    /**
     * Asks for work to rest; what is under way at a recorder is settled first.
     *
     * @throws Problem when it is not running
     */
    public void pause(long id, String who) {
        ask(id, "work " + id + " has ended, or is paused or stopping already", """
                        UPDATE work SET paused_by = :who
                        WHERE id = :id AND state IN ('WAITING', 'RUNNING') AND stopped_by IS NULL AND paused_by IS NULL
                        """, who);
    }

    /** @throws Problem when it is not paused */
    public void resume(long id, String who) {
        boolean rests = get(id).state() == Work.State.PAUSED;
        ask(id, "work " + id + " is not paused", """
                        UPDATE work SET paused_by = NULL, note = 'taken up again by ' || :who,
                          state = CASE state WHEN 'PAUSED' THEN 'WAITING' ELSE state END
                        WHERE id = :id AND state IN ('WAITING', 'RUNNING', 'PAUSED') AND paused_by IS NOT NULL
                        """, who);
        if (rests) {
            submit(id);
        }
    }

    /**
     * Lets work go that waits for a second person.
     *
     * @throws Problem when it does not wait for one, or is let go by who asked for it
     */
    public void approve(long id, String who) {
        var work = get(id);
        if (work.who().equals(who)) {
            throw new Problem(
                    Problem.Kind.CONFLICT,
                    "you asked for " + id + " yourself; somebody else lets it go, or you stop it");
        }
        ask(id, "work " + id + " does not wait for a second person", """
                        UPDATE work SET state = 'WAITING', approved_by = :who, note = 'let go by ' || :who
                        WHERE id = :id AND state = 'ASKED' AND who <> :who AND stopped_by IS NULL
                        """, who);
        submit(id);
    }

    /** Those that wait for a second person, the oldest first. */
    public List<Work> asked() {
        return database.query(WORK + " WHERE state = 'ASKED' ORDER BY id")
                .query(Works::work)
                .list();
    }

    private void ask(long id, String otherwise, String sql, String who) {
        get(id);
        int asked = database.write(
                () -> database.change(sql).param("who", who).param("id", id).update());
        if (asked == 0) {
            throw new Problem(Problem.Kind.CONFLICT, otherwise);
        }
        watchers.moved(id);
    }

    public Work get(long id) {
        return database.query(WORK + " WHERE id = :id")
                .param("id", id)
                .query(Works::work)
                .optional()
                .orElseThrow(() -> new Problem(Problem.Kind.NOT_FOUND, "there is no work " + id));
    }

    /** The newest first. */
    public List<Work> list(Task.Kind kind, int limit) {
        return database.query(WORK + " WHERE kind = :kind ORDER BY id DESC LIMIT :limit")
                .param("kind", kind.name())
                .param("limit", limit)
                .query(Works::work)
                .list();
    }

    private static Work work(ResultSet row, int number) throws SQLException {
        return new Work(
                row.getLong("id"),
                TaskJson.read(Task.Kind.valueOf(row.getString("kind")), row.getString("task")),
                Work.State.valueOf(row.getString("state")),
                row.getString("who"),
                row.getInt("total"),
                row.getInt("done"),
                row.getInt("failed"),
                row.getString("note"),
                Instant.parse(row.getString("created_at")),
                Optional.ofNullable(row.getString("started_at")).map(Instant::parse),
                Optional.ofNullable(row.getString("ended_at")).map(Instant::parse),
                Optional.ofNullable(row.getString("approved_by")));
    }

    @PreDestroy
    void stop() throws InterruptedException {
        stopping = true;
        lanes.values().forEach(ExecutorService::shutdownNow);
        for (var lane : lanes.values()) {
            if (!lane.awaitTermination(SECONDS_TO_STOP, TimeUnit.SECONDS)) {
                LOG.warn("work is still running while the service stops; the next start settles it");
            }
        }
    }
}
