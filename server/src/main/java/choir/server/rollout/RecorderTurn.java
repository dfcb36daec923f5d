package choir.server.rollout;

import choir.drift.Attempt;
import choir.family.NativeConfig;
import choir.family.NativeText;
import choir.family.NativeValue;
import choir.fleet.Node;
import choir.link.LinkException;
import choir.policy.SettingKey;
import choir.rollout.Change;
import choir.rollout.Settlement;
import choir.rollout.StepState;
import choir.server.audit.FindingStore;
import choir.server.db.Database;
import choir.server.fleet.FleetStore;
import choir.server.reading.Devices;
import choir.server.reading.Devices.Outcome;
import choir.server.reading.ObservationStore;
import choir.server.reading.Sweeps;
import choir.server.standing.Baselines;
import choir.server.standing.Standing;
import choir.server.standing.Standings;
import java.time.Clock;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import org.springframework.stereotype.Component;

/**
 * One recorder's part of a wave, in one conversation: read what it holds, settle what a crash left open, write each camera
 * that has not moved since the preview, read back, and settle every step by what was read. Nobody else speaks to the
 * recorder meanwhile. The journal says {@code WRITING} before the first call that changes anything, so nothing takes effect
 * twice and nothing ends without a settled state.
 */
@Component
class RecorderTurn {
    private final Devices devices;
    private final FleetStore fleet;
    private final Sweeps sweeps;
    private final ObservationStore observations;
    private final FindingStore findings;
    private final Standings standings;
    private final Baselines baselines;
    private final StepStore steps;
    private final Database database;
    private final Clock clock;

    RecorderTurn(
            Devices devices,
            FleetStore fleet,
            Sweeps sweeps,
            ObservationStore observations,
            FindingStore findings,
            Standings standings,
            Baselines baselines,
            StepStore steps,
            Database database,
            Clock clock) {
        this.devices = devices;
        this.fleet = fleet;
        this.sweeps = sweeps;
        this.observations = observations;
        this.findings = findings;
        this.standings = standings;
        this.baselines = baselines;
        this.steps = steps;
        this.database = database;
        this.clock = clock;
    }

    private record Written(Step step, Optional<LinkException> trouble) {}

    /**
     * @param undo the steps put back what was there before, whatever the policy says
     */
    void take(String name, List<Step> given, boolean undo) {
        var recorder = fleet.find(name);
        if (recorder.isEmpty()) {
            fail(given, "the recorder " + name + " was removed");
            return;
        }
        try (var conversation = devices.hold(recorder.get())) {
            take(conversation, name, given, undo);
        } catch (LinkException e) {
            fail(given, "not reached: " + e.getMessage());
        }
    }

    private void fail(List<Step> given, String why) {
        database.write(() -> given.forEach(s -> steps.move(s, s.state(), StepState.FAILED, why)));
    }

    private void take(Devices.Conversation conversation, String recorder, List<Step> given, boolean undo) {
        switch (read(conversation, recorder)) {
            case Outcome.Failed(var why) -> fail(given, "not reached: " + why.getMessage());
            case Outcome.OnSite o ->
                fail(given, recorder + " has no network interface; see: choir sheet show " + recorder);
            case Outcome.Reached held -> {
                var ready = unmoved(recorder, planned(given, held), held, undo);
                if (!ready.isEmpty()) {
                    settle(conversation, recorder, write(conversation, ready));
                }
            }
        }
    }

    /** What the recorder holds now, stored. */
    private Outcome read(Devices.Conversation conversation, String recorder) {
        var outcome = conversation.read();
        database.write(() -> sweeps.store(recorder, outcome));
        return outcome;
    }

    private static Optional<NativeConfig> config(Outcome.Reached reading, Step step) {
        return reading.reading().channels().stream()
                .filter(c -> c.channel().equals(step.channel()))
                .map(c -> c.config())
                .findFirst();
    }

    /** The steps of which nothing was written; those that a crash left open are settled by what is held. */
    private List<Step> planned(List<Step> given, Outcome.Reached held) {
        List<Step> planned = new ArrayList<>();
        for (var step : given) {
            var config = config(held, step);
            if (!step.isUnderstood()) {
                fail(List.of(step), "what it was to change cannot be understood any more");
            } else if (config.isEmpty()) {
                fail(List.of(step), "the recorder has no channel " + step.channel() + " any more");
            } else if (step.state() == StepState.PLANNED || settledAfterCrash(step, config.get())) {
                planned.add(step);
            }
        }
        return planned;
    }

    /** True when nothing had been written, so that the step is planned again. */
    private boolean settledAfterCrash(Step step, NativeConfig held) {
        var state = Settlement.afterCrash(step.changes(), held);
        if (state == StepState.PLANNED) {
            database.write(() -> steps.move(step, StepState.WRITING, StepState.PLANNED, ""));
            return true;
        }
        database.write(() -> settled(step, held, state, "settled by reading after an interruption"));
        return false;
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
            return Optional.of("moved: the recorder holds something else than the preview saw; preview again");
        }
        if (undo) {
            return Optional.empty();
        }
        var now = Previews.changes(asked.get(step.camera()), step.changes().keySet());
        return now.equals(new TreeMap<>(step.changes()))
                ? Optional.empty()
                : Optional.of("moved: the policy asks for something else than the preview saw; preview again");
    }

    private List<Written> write(Devices.Conversation conversation, List<Step> ready) {
        database.write(() -> ready.forEach(s -> steps.move(s, StepState.PLANNED, StepState.WRITING, "")));
        Map<String, Map<SettingKey, NativeValue>> byChannel = new LinkedHashMap<>();
        for (var step : ready) {
            Map<SettingKey, NativeValue> values = new LinkedHashMap<>();
            step.changes().forEach((key, change) -> values.put(key, change.after()));
            byChannel.put(step.channel(), values);
        }
        var failed = conversation.write(byChannel);
        return ready.stream()
                .map(s -> new Written(s, Optional.ofNullable(failed.get(s.channel()))))
                .toList();
    }

    private void settle(Devices.Conversation conversation, String recorder, List<Written> written) {
        var outcome = conversation.read();
        database.write(() -> {
            sweeps.store(recorder, outcome);
            switch (outcome) {
                case Outcome.Failed(var why) ->
                    written.forEach(w -> steps.move(
                            w.step(),
                            StepState.WRITING,
                            StepState.FAILED,
                            "written, but it could not be read back: " + why.getMessage()));
                case Outcome.OnSite o -> throw new IllegalStateException("a recorder without a network was written");
                case Outcome.Reached back -> {
                    written.forEach(w -> settle(w, config(back, w.step()).orElse(NativeConfig.EMPTY)));
                    var now = standings.ofRecorder(recorder);
                    baselines.take(written.stream()
                            .flatMap(w -> Optional.ofNullable(now.get(w.step().camera())).stream())
                            .toList());
                }
            }
        });
    }

    private void settle(Written written, NativeConfig held) {
        var step = written.step();
        var state = Settlement.afterWrite(step.changes(), held);
        var trouble = written.trouble().map(Throwable::getMessage);
        if (state == StepState.MISMATCHED && trouble.isPresent() && Settlement.unmoved(step.changes(), held)) {
            steps.move(step, StepState.WRITING, StepState.FAILED, "nothing was changed: " + trouble.get());
        } else {
            settled(step, held, state, trouble.orElse(""));
        }
    }

    /**
     * Verified values become the baseline; those that did not take are remembered as tried. To be called within a
     * transaction.
     */
    private void settled(Step step, NativeConfig held, StepState state, String detail) {
        Map<SettingKey, NativeValue> took = new LinkedHashMap<>();
        List<String> not = new ArrayList<>();
        step.changes().forEach((key, change) -> {
            if (held.get(key).equals(Optional.of(change.after()))) {
                took.put(key, change.after());
            } else {
                not.add(didNotTake(step, key, change, held));
            }
        });
        step.cameraId().ifPresent(camera -> {
            observations.verified(camera, took);
            findings.givenOut(camera, took.keySet());
        });
        var words = not.isEmpty() ? detail : String.join("; ", not) + (detail.isEmpty() ? "" : " (" + detail + ")");
        steps.move(step, StepState.WRITING, state, words);
    }

    private String didNotTake(Step step, SettingKey key, Change change, NativeConfig held) {
        var readBack = held.get(key);
        readBack.ifPresent(back -> step.cameraId()
                .ifPresent(camera ->
                        observations.didNotTake(camera, key, new Attempt(change.after(), back), clock.instant())));
        return key + " did not take: wrote " + NativeText.of(change.after()) + ", reads back "
                + readBack.map(NativeText::of).orElse("nothing");
    }
}
