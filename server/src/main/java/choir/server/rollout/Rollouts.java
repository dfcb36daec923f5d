package choir.server.rollout;

import choir.rollout.StepState;
import choir.rollout.Waves;
import choir.server.work.Work;
import choir.server.work.Works;
import jakarta.annotation.PreDestroy;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
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
    static final String KIND = "rollout";
    private static final int RECORDERS_AT_ONCE = 8;
    private static final int SECONDS_TO_STOP = 10;
    private static final Logger LOG = LoggerFactory.getLogger(Rollouts.class);

    private final StepStore steps;
    private final RecorderTurn turn;
    private final choir.server.db.Database database;
    private volatile boolean stopping;
    private final ExecutorService threads = Executors.newFixedThreadPool(
            RECORDERS_AT_ONCE, Thread.ofPlatform().name("rollout-", 1).factory());

    Rollouts(StepStore steps, RecorderTurn turn, choir.server.db.Database database) {
        this.steps = steps;
        this.turn = turn;
        this.database = database;
    }

    @Override
    public String kind() {
        return KIND;
    }

    @Override
    public String run(Work work, Works.Progress progress) {
        var options = RolloutOptions.parse(work.options());
        var all = steps.of(work.id());
        progress.total(all.size());
        all.stream()
                .filter(s -> s.state().isSettled())
                .forEach(s -> progress.step(s.state().isFailure()));
        Map<Integer, List<Step>> waves = new TreeMap<>();
        all.forEach(s -> waves.computeIfAbsent(s.wave(), w -> new ArrayList<>()).add(s));
        for (var wave : waves.entrySet()) {
            var open =
                    wave.getValue().stream().filter(s -> !s.state().isSettled()).toList();
            if (!open.isEmpty()) {
                take(work.id(), open, options, progress);
            }
            goOnOrStop(work.id(), wave.getKey(), options.waves());
        }
        return summary(steps.of(work.id()));
    }

    private void take(long rollout, List<Step> wave, RolloutOptions options, Works.Progress progress) {
        Map<String, List<Step>> byRecorder = new LinkedHashMap<>();
        wave.forEach(s ->
                byRecorder.computeIfAbsent(s.recorder(), r -> new ArrayList<>()).add(s));
        List<Future<?>> turns = new ArrayList<>();
        byRecorder.forEach((recorder, part) -> turns.add(threads.submit(() -> {
            try {
                turn.take(recorder, part, options.undo());
            } catch (RuntimeException e) {
                if (stopping) {
                    throw e;
                }
                LOG.error("rollout {} broke off at {}", rollout, recorder, e);
                giveUp(now(rollout, part));
            }
            now(rollout, part).forEach(s -> progress.step(s.state().isFailure()));
        })));
        for (var one : turns) {
            await(one);
        }
    }

    private List<Step> now(long rollout, List<Step> part) {
        var ids = part.stream().map(Step::id).toList();
        return steps.of(rollout).stream().filter(s -> ids.contains(s.id())).toList();
    }

    /** Nothing stays open after a mistake of our own: what was being written is for the next reading to tell. */
    private void giveUp(List<Step> part) {
        database.write(() -> part.stream()
                .filter(s -> !s.state().isSettled())
                .forEach(s -> steps.move(
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
        var all = steps.of(rollout);
        var done = all.stream().filter(s -> s.wave() == wave).toList();
        int failed = (int) done.stream().filter(s -> s.state().isFailure()).count();
        var rest = all.stream().filter(s -> s.state() == StepState.PLANNED).toList();
        if (!rest.isEmpty() && !waves.mayGoOn(done.size(), failed)) {
            var reason = failed + " of " + done.size() + " cameras of wave " + wave + " failed";
            database.write(() ->
                    rest.forEach(s -> steps.move(s, StepState.PLANNED, StepState.SKIPPED, "not begun: " + reason)));
            throw new Works.Stopped("stopped after wave " + wave + ": " + reason + "; " + summary(steps.of(rollout)));
        }
    }

    private static String summary(List<Step> all) {
        var words = new ArrayList<String>();
        for (var state : StepState.values()) {
            long count = all.stream().filter(s -> s.state() == state).count();
            if (count > 0) {
                words.add(count + " " + state.name().toLowerCase(java.util.Locale.ROOT));
            }
        }
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
