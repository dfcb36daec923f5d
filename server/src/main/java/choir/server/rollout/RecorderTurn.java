package choir.server.rollout;

import choir.family.NativeConfig;
import choir.family.NativeValue;
import choir.fleet.Node;
import choir.link.ChannelWrite;
import choir.link.LinkException;
import choir.link.Writing;
import choir.link.Written;
import choir.policy.SettingKey;
import choir.rollout.Journalled;
import choir.rollout.Settlement;
import choir.rollout.StepState;
import choir.server.db.Database;
import choir.server.fleet.FleetStore;
import choir.server.fleet.PauseStore;
import choir.server.reading.Devices;
import choir.server.reading.Devices.Outcome;
import choir.server.reading.Sweeps;
import choir.server.standing.Standing;
import choir.server.standing.Standings;
import java.time.Duration;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import org.springframework.stereotype.Component;

/**
 * One recorder's part of a wave, in one conversation: read what it holds, which settles what was left open, write each
 * camera that has not moved since the preview, and read back. Nobody else speaks to the recorder meanwhile. The journal
 * says {@code WRITING} before the first call that changes anything, and before it is read back which settings were sent;
 * what became of a step is told by a reading alone ({@link Settling}).
 */
@Component
class RecorderTurn {
    /** How a turn ended. */
    sealed interface End {
        /** Nothing of it is left to do. */
        record Through() implements End {}

        /** Somebody else is not through with the recorder; what is planned waits. */
        record Queued(String why) implements End {}

        /** The recorder was not there, or went away in the middle; what is left is tried again. */
        record Again(String why) implements End {}

        /** Nothing is left to do, but it was not seen to record again since it was written. */
        record Silent(String why) implements End {}
    }

    private static final End THROUGH = new End.Through();
    private static final String MOVED_AT_RECORDER =
            "moved: the recorder holds something else than the preview saw; preview again";

    private final Devices devices;
    private final FleetStore fleet;
    private final Sweeps sweeps;
    private final Standings standings;
    private final StepStore steps;
    private final PauseStore pauses;
    private final WritingTimes times;
    private final Database database;

    RecorderTurn(
            Devices devices,
            FleetStore fleet,
            Sweeps sweeps,
            Standings standings,
            StepStore steps,
            PauseStore pauses,
            WritingTimes times,
            Database database) {
        this.times = times;
        this.pauses = pauses;
        this.devices = devices;
        this.fleet = fleet;
        this.sweeps = sweeps;
        this.standings = standings;
        this.steps = steps;
        this.database = database;
    }

    /** One camera's step with what is known of writing it. */
    private record Tried(Step step, Optional<Written> written) {}

    /**
     * @param undo the steps put back what was there before, whatever the policy says
     */
    End take(String name, long rollout, int wave, boolean undo) {
        var recorder = fleet.find(name);
        if (recorder.isEmpty()) {
            give(steps.open(rollout, wave, name), "the recorder " + name + " was removed");
            return THROUGH;
        }
        try (var conversation = devices.hold(recorder.get())) {
            return take(conversation, name, rollout, wave, undo);
        } catch (LinkException e) {
            return again(steps.open(rollout, wave, name), e);
        }
    }

    /** Ends what was not begun; what may have been written waits for a reading. */
    void give(List<Step> open, String why) {
        database.write(() -> open.forEach(s -> {
            switch (s.state()) {
                case PLANNED -> steps.move(s, StepState.PLANNED, StepState.FAILED, why);
                case WRITING -> steps.move(s, StepState.WRITING, StepState.UNSETTLED, why);
                case UNSETTLED, VERIFIED, MISMATCHED, FAILED, SKIPPED -> {}
            }
        }));
    }

    /** Nobody can look now. A wrong password is not tried again, since that locks accounts. */
    private End again(List<Step> open, LinkException trouble) {
        var why = String.valueOf(trouble.getMessage());
        boolean isBusy = trouble.reason() == LinkException.Reason.REFUSED;
        if (!trouble.mayPass() && !isBusy) {
            give(open, "not reached: " + why);
            return THROUGH;
        }
        database.write(() -> open.stream()
                .filter(s -> s.state() == StepState.WRITING)
                .forEach(s -> steps.move(s, StepState.WRITING, StepState.UNSETTLED, "not read back: " + why)));
        return new End.Again(why);
    }

    private End take(Devices.Conversation conversation, String recorder, long rollout, int wave, boolean undo) {
        var outcome = read(conversation, recorder);
        var open = steps.open(rollout, wave, recorder);
        return switch (outcome) {
            case Outcome.Failed(var why) -> again(open, why);
            case Outcome.OnSite o -> {
                give(open, recorder + " has no network interface; see: choir sheet show " + recorder);
                yield THROUGH;
            }
            case Outcome.Reached held -> {
                var ready = unmoved(recorder, planned(open, held), held, undo);
                yield ready.isEmpty() ? THROUGH : write(conversation, recorder, ready);
            }
        };
    }

    /** What the recorder holds now, stored, and with it what was left open at it. */
    private Outcome read(Devices.Conversation conversation, String recorder) {
        var outcome = conversation.read();
        return database.write(() -> sweeps.store(recorder, outcome));
    }

    private static Optional<NativeConfig> config(Outcome.Reached reading, Step step) {
        return reading.reading().channels().stream()
                .filter(c -> c.channel().equals(step.channel()))
                .map(c -> c.config())
                .findFirst();
    }

    private List<Step> planned(List<Step> open, Outcome.Reached held) {
        List<Step> planned = new ArrayList<>();
        for (var step : open) {
            if (step.state() != StepState.PLANNED) {
                continue;
            }
            if (!step.isUnderstood()) {
                give(List.of(step), "what it was to change cannot be understood any more");
            } else if (config(held, step).isEmpty()) {
                give(List.of(step), "the recorder has no channel " + step.channel() + " any more");
            } else {
                planned.add(step);
            }
        }
        return planned;
    }

    private List<Step> unmoved(String recorder, List<Step> planned, Outcome.Reached held, boolean undo) {
        var asked = standings.ofRecorder(recorder);
        List<Step> unmoved = new ArrayList<>();
        for (var step : planned) {
            moved(step, config(held, step).orElseThrow(), asked, undo)
                    .ifPresentOrElse(
                            reason -> database.write(
                                    () -> steps.move(step, StepState.PLANNED, StepState.SKIPPED, reason)),
                            () -> unmoved.add(step));
        }
        return unmoved;
    }

    /** Why the step is not to be written, if so: recorder or policy have moved since the preview. */
    private Optional<String> moved(Step step, NativeConfig held, Map<Node.Camera, Standing> asked, boolean undo) {
        if (!Settlement.unmoved(step.changes(), held)) {
            return Optional.of(MOVED_AT_RECORDER);
        }
        if (undo) {
            return Optional.empty();
        }
        var standing = Optional.ofNullable(asked.get(step.camera()));
        var now = standing.map(s -> Previews.changes(s, step.changes().keySet()));
        return now.equals(Optional.of(new TreeMap<>(step.changes())))
                ? Optional.empty()
                : Optional.of("moved: the policy asks for something else than the preview saw; preview again");
    }

    /** Whether nobody has paused the recorder is asked in the transaction in which the steps begin to be written. */
    private boolean begun(String recorder, List<Step> ready) {
        return database.write(() -> {
            var pause = pauses.of(recorder).map(p -> p.words(recorder));
            ready.forEach(s -> steps.move(
                    s, StepState.PLANNED, pause.isPresent() ? StepState.SKIPPED : StepState.WRITING, pause.orElse("")));
            return pause.isEmpty();
        });
    }

    private End write(Devices.Conversation conversation, String recorder, List<Step> ready) {
        if (!begun(recorder, ready)) {
            return THROUGH;
        }
        long began = System.nanoTime();
        var writing = conversation.write(
                ready.stream().map(RecorderTurn::channelWrite).toList());
        var written = writing.channels();
        var took = Duration.ofNanos(System.nanoTime() - began);
        var silent = writing.gap()
                .filter(gap -> !gap.ended())
                .map(gap -> recorder + " was not seen to record again within "
                        + gap.length().toSeconds() + " s of being written; look at it");
        var tried = ready.stream()
                .map(s -> new Tried(s, Optional.ofNullable(written.get(s.channel()))))
                .toList();
        database.write(() -> {
            tried.forEach(t -> journal(t, silent.orElse("")));
            if (written.values().stream().allMatch(Written.Whole.class::isInstance)) {
                times.took(recorder, ready.size(), took, writing.gap().filter(Writing.Gap::ended));
            }
        });
        var left = tried.stream().flatMap(t -> neverSent(t).stream()).findFirst();
        var outcome = read(conversation, recorder);
        return switch (outcome) {
            case Outcome.Reached r -> left.<End>map(End.Again::new).orElseGet(() -> afterReading(ready, silent));
            case Outcome.Failed(var why) -> again(open(ready), why);
            case Outcome.OnSite o -> throw new IllegalStateException("a recorder without a network was written");
        };
    }

    /** What turned out never to have left is tried again. */
    private End afterReading(List<Step> ready, Optional<String> silent) {
        return open(ready).stream().anyMatch(s -> s.state() == StepState.PLANNED)
                ? new End.Again("something was not written")
                : silent.<End>map(End.Silent::new).orElse(THROUGH);
    }

    private List<Step> open(List<Step> ready) {
        return ready.stream()
                .flatMap(s -> steps.find(s.id()).stream())
                .filter(s -> !s.state().isSettled())
                .toList();
    }

    private static ChannelWrite channelWrite(Step step) {
        Map<SettingKey, Optional<NativeValue>> before = new LinkedHashMap<>();
        Map<SettingKey, NativeValue> values = new LinkedHashMap<>();
        step.changes().forEach((key, change) -> {
            before.put(key, change.before());
            values.put(key, change.after());
        });
        return new ChannelWrite(step.channel(), before, values);
    }

    /** What is known before it is read back; to be called within a transaction. */
    private void journal(Tried tried, String remark) {
        tried.written().ifPresent(written -> journal(tried.step(), written, remark));
    }

    private void journal(Step step, Written written, String remark) {
        switch (written) {
            case Written.Whole w ->
                steps.know(step, Journalled.sent(step.changes().keySet()), remark);
            case Written.Moved m -> steps.move(step, StepState.WRITING, StepState.SKIPPED, MOVED_AT_RECORDER);
            case Written.BrokenOff(var sent, var why) -> {
                var words = String.valueOf(why.getMessage());
                if (!sent.isEmpty()) {
                    steps.know(step, Journalled.sent(sent), words);
                } else if (why.mayPass()) {
                    steps.move(step, StepState.WRITING, StepState.PLANNED, words);
                } else {
                    steps.move(step, StepState.WRITING, StepState.FAILED, "nothing was changed: " + words);
                }
            }
        }
    }

    /** Why it is to be tried again: nothing of it left before the recorder went away. */
    private static Optional<String> neverSent(Tried tried) {
        return tried.written().orElse(null) instanceof Written.BrokenOff(var sent, var why)
                        && sent.isEmpty()
                        && why.mayPass()
                ? Optional.of(String.valueOf(why.getMessage()))
                : Optional.empty();
    }
}
