package choir.server.rollout;

import choir.rollout.StepState;
import choir.rollout.Waves;
import choir.server.db.Database;
import choir.server.fleet.FleetStore;
import choir.server.fleet.StoredRecorder;
import choir.server.work.Task;
import choir.server.work.Work;
import choir.server.work.Works;
import jakarta.annotation.PreDestroy;
import java.time.Clock;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.TimeUnit;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.context.event.ContextClosedEvent;
import org.springframework.context.event.EventListener;
import org.springframework.stereotype.Component;

/** Runs a rollout wave by wave. After a restart it goes on with the first wave that has steps left. */
@Component
class Rollouts implements Works.Runner {
    private static final int RECORDERS_AT_ONCE = 8;
    private static final int SECONDS_TO_STOP = 10;
    private static final Logger LOG = LoggerFactory.getLogger(Rollouts.class);

    private final StepStore steps;
    private final RecorderTurn turn;
    private final FleetStore fleet;
    private final Database database;
    private final Clock clock;
    private volatile boolean stopping;
    private final ExecutorService threads = Executors.newFixedThreadPool(
            RECORDERS_AT_ONCE, Thread.ofPlatform().name("rollout-", 1).factory());

    Rollouts(StepStore steps, RecorderTurn turn, FleetStore fleet, Database database, Clock clock) {
        this.fleet = fleet;
        this.steps = steps;
        this.turn = turn;
        this.database = database;
        this.clock = clock;
    }

    @Override
    public Task.Kind kind() {
        return Task.Kind.ROLLOUT;
    }

    @Override
    public Works.Ended run(Work work, Works.Progress progress) {
        if (!(work.task() instanceof Task.Rollout task)) {
            throw new IllegalStateException(work.task() + " is no rollout");
        }
        var counts = steps.counts(work.id(), Optional.empty());
        progress.begin(sum(counts), settled(counts), failures(counts));
        try {
            for (int wave : steps.waves(work.id())) {
                progress.goOn();
                var silent = new WaveRun(work, task, wave, progress, steps, turn, this::zone, database, clock)
                        .run(threads, () -> stopping);
                goOnOrStop(work.id(), wave, task.waves(), silent);
            }
        } catch (Works.Stopped e) {
            var why = String.valueOf(e.getMessage());
            int left = database.write(() -> steps.skipPlanned(work.id(), "not begun: " + why));
            throw new Works.Stopped(why + (left > 0 ? "; " + left + " not begun; " : "; ") + summary(work.id()));
        }
        return ended(work.id());
    }

    /** Where the zone of a recorder is not known, the service's own counts. */
    private ZoneId zone(String recorder) {
        return fleet.find(recorder).flatMap(StoredRecorder::zoneId).orElse(clock.getZone());
    }

    /** A recorder that stays silent is a loss that grows, so nothing else is written before somebody has looked. */
    private void goOnOrStop(long rollout, int wave, Waves waves, List<String> silent) {
        boolean more = steps.counts(rollout, Optional.empty()).getOrDefault(StepState.PLANNED, 0) > 0;
        if (more && !silent.isEmpty()) {
            throw new Works.Stopped("stopped after wave " + wave + ": " + silent.getFirst());
        }
        var decision = waves.after(steps.counts(rollout, Optional.of(wave)));
        if (more && decision instanceof Waves.Decision.Stop(var why)) {
            throw new Works.Stopped("stopped after wave " + wave + ": " + why);
        }
    }

    private Works.Ended ended(long rollout) {
        var counts = steps.counts(rollout, Optional.empty());
        int verified = counts.getOrDefault(StepState.VERIFIED, 0);
        if (verified == sum(counts)) {
            return Works.Ended.done(summary(rollout));
        }
        return verified == 0 && failures(counts) > 0
                ? Works.Ended.failed(summary(rollout))
                : Works.Ended.partly(summary(rollout));
    }

    private static int sum(Map<StepState, Integer> counts) {
        return counts.values().stream().mapToInt(Integer::intValue).sum();
    }

    private static int settled(Map<StepState, Integer> counts) {
        return counts.entrySet().stream()
                .filter(e -> e.getKey().isSettled())
                .mapToInt(Map.Entry::getValue)
                .sum();
    }

    private static int failures(Map<StepState, Integer> counts) {
        return counts.entrySet().stream()
                .filter(e -> e.getKey().isFailure())
                .mapToInt(Map.Entry::getValue)
                .sum();
    }

    /** Words that are true of all its steps. */
    private String summary(long rollout) {
        var counts = steps.counts(rollout, Optional.empty());
        int all = sum(counts);
        if (counts.getOrDefault(StepState.VERIFIED, 0) == all) {
            return all == 1 ? "1 verified" : "all " + all + " verified";
        }
        List<String> words = new ArrayList<>();
        counts.forEach((state, count) -> words.add(count + " " + state.name().toLowerCase(Locale.ROOT)));
        return String.join(", ", words)
                + (counts.containsKey(StepState.UNSETTLED)
                        ? "; the next reading of their recorders tells what became of the unsettled"
                        : "");
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
