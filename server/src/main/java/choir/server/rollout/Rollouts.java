package choir.server.rollout;

import choir.rollout.StepState;
import choir.rollout.Waves;
import choir.server.db.Database;
import choir.server.work.Task;
import choir.server.work.Work;
import choir.server.work.Works;
import jakarta.annotation.PreDestroy;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.ExecutionException;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import java.util.concurrent.TimeUnit;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.context.event.ContextClosedEvent;
import org.springframework.context.event.EventListener;
import org.springframework.stereotype.Component;

/** Runs a rollout wave by wave. After a restart it goes on with the first wave that has unsettled steps. */
@Component
class Rollouts implements Works.Runner {
    private static final int RECORDERS_AT_ONCE = 8;
    private static final int SECONDS_TO_STOP = 10;
    private static final Logger LOG = LoggerFactory.getLogger(Rollouts.class);

    private final StepStore steps;
    private final RecorderTurn turn;
    private final Database database;
    private volatile boolean stopping;
    private final ExecutorService threads = Executors.newFixedThreadPool(
            RECORDERS_AT_ONCE, Thread.ofPlatform().name("rollout-", 1).factory());

    Rollouts(StepStore steps, RecorderTurn turn, Database database) {
        this.steps = steps;
        this.turn = turn;
        this.database = database;
    }

    @Override
    public Task.Kind kind() {
        return Task.Kind.ROLLOUT;
    }

    @Override
    public String run(Work work, Works.Progress progress) {
        if (!(work.task() instanceof Task.Rollout task)) {
            throw new IllegalStateException(work.task() + " is no rollout");
        }
        var counts = steps.counts(work.id(), Optional.empty());
        progress.begin(sum(counts), sum(counts) - open(counts), failures(counts));
        for (int wave : steps.waves(work.id())) {
            take(work.id(), wave, task.undo(), progress);
            goOnOrStop(work.id(), wave, task.waves());
        }
        return summary(work.id());
    }

    private void take(long rollout, int wave, boolean undo, Works.Progress progress) {
        List<Future<?>> turns = new ArrayList<>();
        for (var recorder : steps.openRecorders(rollout, wave)) {
            turns.add(threads.submit(() -> takeOne(rollout, wave, recorder, undo, progress)));
        }
        Works.Stopped stopped = null;
        for (var one : turns) {
            try {
                await(one);
            } catch (Works.Stopped e) {
                // What is being written is settled first.
                stopped = e;
            }
        }
        if (stopped != null) {
            var why = String.valueOf(stopped.getMessage());
            int left = database.write(() -> steps.skipPlanned(rollout, "not begun: " + why));
            throw new Works.Stopped(why + "; " + left + " not begun; " + summary(rollout));
        }
    }

    private void takeOne(long rollout, int wave, String recorder, boolean undo, Works.Progress progress) {
        progress.goOn();
        var part = steps.open(rollout, wave, recorder);
        try {
            turn.take(recorder, part, undo);
        } catch (RuntimeException | Error e) {
            if (stopping) {
                throw e;
            }
            LOG.error("rollout {} broke off at {}", rollout, recorder, e);
            giveUp(steps.open(rollout, wave, recorder));
        }
        var ids = part.stream().map(Step::id).toList();
        steps.of(rollout, recorder).stream()
                .filter(s -> ids.contains(s.id()) && s.state().isSettled())
                .forEach(s -> progress.step(s.state().isFailure()));
    }

    /** Nothing stays open after a mistake of our own: what was being written is for the next reading to tell. */
    private void giveUp(List<Step> part) {
        database.write(() -> part.forEach(s -> steps.move(
                s,
                s.state(),
                StepState.FAILED,
                s.state() == StepState.WRITING
                        ? "the service failed while it was written; audit it to see what it holds"
                        : "the service failed before it was written; its log says more")));
    }

    private static void await(Future<?> turn) {
        try {
            turn.get();
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            throw new IllegalStateException("interrupted while a rollout runs", e);
        } catch (ExecutionException e) {
            throw e.getCause() instanceof RuntimeException r ? r : new IllegalStateException(e.getCause());
        }
    }

    /** A further wave starts only while at most the stated share of this one failed. */
    private void goOnOrStop(long rollout, int wave, Waves waves) {
        var done = steps.counts(rollout, Optional.of(wave));
        int failed = failures(done);
        boolean more = steps.counts(rollout, Optional.empty()).getOrDefault(StepState.PLANNED, 0) > 0;
        if (more && !waves.mayGoOn(sum(done), failed)) {
            var reason = failed + " of " + sum(done) + " cameras of wave " + wave + " failed";
            database.write(() -> steps.skipPlanned(rollout, "not begun: " + reason));
            throw new Works.Stopped("stopped after wave " + wave + ": " + reason + "; " + summary(rollout));
        }
    }

    private static int sum(Map<StepState, Integer> counts) {
        return counts.values().stream().mapToInt(Integer::intValue).sum();
    }

    private static int open(Map<StepState, Integer> counts) {
        return counts.entrySet().stream()
                .filter(e -> !e.getKey().isSettled())
                .mapToInt(Map.Entry::getValue)
                .sum();
    }

    private static int failures(Map<StepState, Integer> counts) {
        return counts.entrySet().stream()
                .filter(e -> e.getKey().isFailure())
                .mapToInt(Map.Entry::getValue)
                .sum();
    }

    private String summary(long rollout) {
        List<String> words = new ArrayList<>();
        steps.counts(rollout, Optional.empty())
                .forEach((state, count) -> words.add(count + " " + state.name().toLowerCase(Locale.ROOT)));
        return String.join(", ", words);
    }

    @EventListener(ContextClosedEvent.class)
    void closing() {
        stopping = true;
    }

    /** Ends while recorders and database can still be reached, so that nothing is cut off that could end by itself. */
    @PreDestroy
    void stop() throws InterruptedException {
        threads.shutdownNow();
        if (!threads.awaitTermination(SECONDS_TO_STOP, TimeUnit.SECONDS)) {
            LOG.warn("a recorder is still being written while the service stops; the next start settles it");
        }
    }
}
