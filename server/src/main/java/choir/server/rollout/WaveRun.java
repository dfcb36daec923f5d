package choir.server.rollout;

import choir.rollout.Retry;
import choir.server.db.Database;
import choir.server.work.Task;
import choir.server.work.Work;
import choir.server.work.Works;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.time.ZoneId;
import java.time.format.DateTimeFormatter;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.concurrent.ExecutionException;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Future;
import java.util.function.BooleanSupplier;
import java.util.function.Function;
import java.util.function.Supplier;
import java.util.stream.Collectors;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;

/**
 * One wave on its way, recorder by recorder, each within its hours. Those that are away are tried again at growing
 * intervals until the deadline, and at least once; one with which an older rollout is not through waits for it.
 */
final class WaveRun {
    private static final Logger LOG = LoggerFactory.getLogger(WaveRun.class);
    private static final DateTimeFormatter OPENS = DateTimeFormatter.ofPattern("EEE d MMM HH:mm", Locale.UK);
    private static final Duration LOOK_AGAIN = Duration.ofMillis(250);

    /** @param tries how often it was tried in vain */
    private record Waiting(int tries, Instant next) {}

    private final long rollout;
    private final int wave;
    private final Task.Rollout task;
    private final Instant begun;
    private final Works.Progress progress;
    private final StepStore steps;
    private final RecorderTurn turn;
    private final Function<String, ZoneId> zones;
    private final Database database;
    private final Clock clock;
    private final Map<String, Waiting> waiting = new HashMap<>();
    private final Set<String> through = new HashSet<>();
    private final List<String> silent = new ArrayList<>();

    WaveRun(
            Work work,
            Task.Rollout task,
            int wave,
            Works.Progress progress,
            StepStore steps,
            RecorderTurn turn,
            Function<String, ZoneId> zones,
            Database database,
            Clock clock) {
        this.rollout = work.id();
        this.task = task;
        this.begun = work.startedAt().orElse(work.createdAt());
        this.wave = wave;
        this.zones = zones;
        this.progress = progress;
        this.steps = steps;
        this.turn = turn;
        this.database = database;
        this.clock = clock;
    }

    /**
     * @param stopping true once the service stops, when a turn that breaks off is for the next start to settle
     * @return recorders that were not seen to record again, a sentence each
     */
    List<String> run(ExecutorService threads, BooleanSupplier stopping) {
        for (var left = left(); !left.isEmpty(); left = left()) {
            var now = clock.instant();
            var due = left.stream().filter(r -> isDue(r, now)).toList();
            if (due.isEmpty()) {
                sleep();
            } else {
                take(due, threads, stopping);
            }
            progress.goOn();
        }
        return silent;
    }

    private List<String> left() {
        return steps.openRecorders(rollout, wave).stream()
                .filter(r -> !through.contains(r))
                .toList();
    }

    /** Outside its hours a recorder waits for the next of them. */
    private boolean isDue(String recorder, Instant now) {
        var state = waiting.get(recorder);
        if (state != null && state.next().isAfter(now)) {
            return false;
        }
        var opens = opens(recorder, now);
        if (opens.isAfter(now)) {
            var there = opens.atZone(zones.apply(recorder));
            postpone(
                    recorder,
                    state == null ? 0 : state.tries(),
                    opens,
                    recorder + " is written from " + there.format(OPENS) + " on, its own time (" + there.getZone()
                            + ")");
            return false;
        }
        return true;
    }

    private Instant opens(String recorder, Instant moment) {
        return task.hours().map(h -> h.open(moment, zones.apply(recorder))).orElse(moment);
    }

    /** Patience counts from where the recorder could be written first. */
    private Instant deadline(String recorder) {
        return opens(recorder, begun).plus(task.patience());
    }

    private static void sleep() {
        try {
            Thread.sleep(LOOK_AGAIN);
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            throw new IllegalStateException("interrupted while a rollout waits", e);
        }
    }

    /** What is being written is settled before a wish to stop or to pause is followed. */
    private void take(List<String> recorders, ExecutorService threads, BooleanSupplier stopping) {
        Map<String, Future<RecorderTurn.End>> turns = new LinkedHashMap<>();
        for (var recorder : recorders) {
            turns.put(recorder, threads.submit(() -> takeOne(recorder, stopping)));
        }
        RuntimeException wish = null;
        for (var entry : turns.entrySet()) {
            try {
                settle(entry.getKey(), await(entry.getValue()));
            } catch (Works.Stopped | Works.Paused e) {
                wish = e;
            }
        }
        if (wish != null) {
            throw wish;
        }
    }

    private static RecorderTurn.End await(Future<RecorderTurn.End> turn) {
        try {
            return turn.get();
        } catch (InterruptedException e) {
            Thread.currentThread().interrupt();
            throw new IllegalStateException("interrupted while a rollout runs", e);
        } catch (ExecutionException e) {
            throw e.getCause() instanceof RuntimeException r ? r : new IllegalStateException(e.getCause());
        }
    }

    private RecorderTurn.End takeOne(String recorder, BooleanSupplier stopping) {
        progress.goOn();
        var older = steps.olderAt(rollout, recorder);
        if (older.isPresent()) {
            return new RecorderTurn.End.Queued("rollout " + older.get() + " is not through with " + recorder);
        }
        return counted(recorder, () -> {
            try {
                return turn.take(recorder, rollout, wave, task.undo());
            } catch (RuntimeException | Error e) {
                if (stopping.getAsBoolean()) {
                    throw e;
                }
                LOG.error("rollout {} broke off at {}", rollout, recorder, e);
                turn.give(steps.open(rollout, wave, recorder), "the service failed at it; its log says more");
                return new RecorderTurn.End.Through();
            }
        });
    }

    private void settle(String recorder, RecorderTurn.End end) {
        switch (end) {
            case RecorderTurn.End.Through t -> through(recorder);
            case RecorderTurn.End.Silent(var why) -> {
                through(recorder);
                silent.add(why);
            }
            case RecorderTurn.End.Queued(var why) ->
                postpone(recorder, 0, clock.instant().plus(LOOK_AGAIN), why);
            case RecorderTurn.End.Again(var why) -> again(recorder, why);
        }
    }

    private void through(String recorder) {
        through.add(recorder);
        if (waiting.remove(recorder) != null && waiting.isEmpty()) {
            progress.tell("");
        }
    }

    private void again(String recorder, String why) {
        var now = clock.instant();
        var deadline = deadline(recorder);
        var before = waiting.get(recorder);
        int tries = (before == null ? 0 : before.tries()) + 1;
        if (now.isBefore(deadline)) {
            var next = Retry.next(now, tries, deadline);
            long seconds = Math.max(1, Duration.between(now, next).toSeconds());
            postpone(recorder, tries, next, why + "; it is tried again in " + seconds + " s");
            return;
        }
        through.add(recorder);
        counted(recorder, () -> {
            var often = tries > 1 ? " (tried " + tries + " times)" : "";
            turn.give(steps.open(rollout, wave, recorder), "not reached: " + why + often);
            return Boolean.TRUE;
        });
    }

    private void postpone(String recorder, int tries, Instant next, String why) {
        waiting.put(recorder, new Waiting(tries, next));
        database.write(() -> steps.waiting(rollout, wave, recorder, why));
        progress.tell("waiting: " + why);
    }

    /** Tells the progress of every step of the recorder that is settled afterwards and was not before. */
    private <T> T counted(String recorder, Supplier<T> part) {
        Set<Long> before = steps.of(rollout, recorder).stream()
                .filter(s -> s.state().isSettled())
                .map(Step::id)
                .collect(Collectors.toSet());
        var result = part.get();
        steps.of(rollout, recorder).stream()
                .filter(s -> s.state().isSettled() && !before.contains(s.id()))
                .forEach(s -> progress.step(s.state().isFailure()));
        return result;
    }
}
