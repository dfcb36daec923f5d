package choir.server.work;

import choir.server.db.Database;
import choir.server.web.Problem;
import jakarta.annotation.PreDestroy;
import java.time.Clock;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.CopyOnWriteArraySet;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.TimeUnit;
import java.util.function.Consumer;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.boot.context.event.ApplicationReadyEvent;
import org.springframework.context.event.EventListener;
import org.springframework.stereotype.Component;

/** Keeps and runs long work. What a restart interrupts is taken up again by the runner of its kind. */
@Component
public class Works {
    private static final Logger LOG = LoggerFactory.getLogger(Works.class);
    private static final int SECONDS_TO_STOP = 10;
    private static final String COLUMNS =
            "id, kind, state, selection, options, who, total, done, failed, note, created_at, ended_at";

    /** Does one kind of work. It is called again from the start after a crash and must then go on, not begin anew. */
    public interface Runner {
        String kind();

        /** Returns the closing note. */
        String run(Work work, Progress progress);
    }

    /** How work tells how far it is. */
    public interface Progress {
        void total(int units);

        void step(boolean failed);
    }

    private final Database database;
    private final Clock clock;
    private final Map<String, Runner> runners;
    private final ExecutorService threads =
            Executors.newFixedThreadPool(4, Thread.ofPlatform().name("work-", 1).factory());
    private volatile boolean stopping;
    private final Map<Long, Set<Consumer<Work>>> listeners = new ConcurrentHashMap<>();

    Works(Database database, Clock clock, List<Runner> runners) {
        this.database = database;
        this.clock = clock;
        this.runners = runners.stream().collect(java.util.stream.Collectors.toMap(Runner::kind, r -> r));
    }

    @EventListener(ApplicationReadyEvent.class)
    void takeUpWhatWasInterrupted() {
        database.query("SELECT id FROM work WHERE state IN ('waiting', 'running') ORDER BY id")
                .query(Long.class)
                .list()
                .forEach(this::submit);
    }

    /** To be called within a transaction, so that the row and what belongs to it appear together. */
    public long add(String kind, String selection, String options, String who) {
        return database.change("""
                        INSERT INTO work (kind, state, selection, options, who, created_at)
                        VALUES (:kind, 'waiting', :selection, :options, :who, :at) RETURNING id
                        """)
                .param("kind", kind)
                .param("selection", selection)
                .param("options", options)
                .param("who", who)
                .param("at", clock.instant().toString())
                .query(Long.class)
                .single();
    }

    /** To be called after the transaction. */
    public void submit(long id) {
        threads.execute(() -> run(id));
    }

    private void run(long id) {
        var work = get(id);
        var runner = runners.get(work.kind());
        if (runner == null || work.hasEnded()) {
            return;
        }
        update(id, "UPDATE work SET state = 'running', done = 0, failed = 0 WHERE id = :id");
        try {
            end(id, "done", runner.run(work, progress(id)));
        } catch (Stopped e) {
            end(id, "stopped", String.valueOf(e.getMessage()));
        } catch (RuntimeException e) {
            if (stopping) {
                // Its row still says that it runs, so the next start takes it up where it was.
                return;
            }
            LOG.error("{} {} failed", work.kind(), id, e);
            end(
                    id,
                    "failed",
                    e instanceof IllegalArgumentException || e instanceof Problem
                            ? String.valueOf(e.getMessage())
                            : "the service failed; its log says more");
        }
    }

    /** Ends work before all was done, on purpose; the message is its closing note. */
    public static final class Stopped extends RuntimeException {
        public Stopped(String message) {
            super(message);
        }
    }

    private void end(long id, String state, String note) {
        database.writeAside(() -> {
            database.change("UPDATE work SET state = :state, note = :note, ended_at = :at WHERE id = :id")
                    .param("state", state)
                    .param("note", note)
                    .param("at", clock.instant().toString())
                    .param("id", id)
                    .update();
        });
        tell(id);
    }

    private Progress progress(long id) {
        return new Progress() {
            @Override
            public void total(int units) {
                update(id, "UPDATE work SET total = " + units + " WHERE id = :id");
            }

            @Override
            public void step(boolean failed) {
                update(
                        id,
                        "UPDATE work SET done = done + 1, failed = failed + " + (failed ? 1 : 0) + " WHERE id = :id");
            }
        };
    }

    private void update(long id, String sql) {
        database.writeAside(() -> {
            database.change(sql).param("id", id).update();
        });
        tell(id);
    }

    private void tell(long id) {
        var interested = listeners.get(id);
        if (interested != null) {
            var work = get(id);
            interested.forEach(l -> l.accept(work));
        }
    }

    /** Tells of every step until the runnable that is returned is run. */
    Runnable listen(long id, Consumer<Work> listener) {
        listeners.computeIfAbsent(id, i -> new CopyOnWriteArraySet<>()).add(listener);
        return () -> listeners.computeIfPresent(id, (i, set) -> {
            set.remove(listener);
            return set.isEmpty() ? null : set;
        });
    }

    public Work get(long id) {
        return database.query("SELECT " + COLUMNS + " FROM work WHERE id = :id")
                .param("id", id)
                .query(Work.class)
                .optional()
                .orElseThrow(() -> new Problem(Problem.Kind.NOT_FOUND, "there is no work " + id));
    }

    /** The newest first. */
    public List<Work> list(String kind, int limit) {
        return database.query("SELECT " + COLUMNS + " FROM work WHERE kind = :kind ORDER BY id DESC LIMIT :limit")
                .param("kind", kind)
                .param("limit", limit)
                .query(Work.class)
                .list();
    }

    @PreDestroy
    void stop() throws InterruptedException {
        stopping = true;
        threads.shutdownNow();
        if (!threads.awaitTermination(SECONDS_TO_STOP, TimeUnit.SECONDS)) {
            LOG.warn("work is still running while the service stops; the next start settles it");
        }
    }
}
