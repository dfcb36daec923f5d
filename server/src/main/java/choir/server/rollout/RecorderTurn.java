package choir.server.rollout;

import choir.drift.Attempt;
import choir.family.NativeConfig;
import choir.family.NativeValue;
import choir.fleet.Node;
import choir.fleet.RecorderName;
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
 * One recorder's part of a wave: read what it holds, settle what a crash left open, write each camera that has not moved
 * since the preview, read back, and settle every step by what was read. The journal says {@code WRITING} before the
 * first call that changes anything, so nothing takes effect twice and nothing ends without a settled state.
 */
@Component
class RecorderTurn {
    private final Devices devices;
    private final FleetStore fleet;
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
            ObservationStore observations,
            FindingStore findings,
            Standings standings,
            Baselines baselines,
            StepStore steps,
            Database database,
            Clock clock) {
        this.devices = devices;
        this.fleet = fleet;
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
    void take(String recorder, List<Step> given, boolean undo) {
        var first = read(recorder);
        if (first instanceof Outcome.Failed(var r, var why)) {
            given.forEach(s -> move(s, s.state(), StepState.FAILED, "not reached: " + why.getMessage()));
            return;
        }
        if (!(first instanceof Outcome.Reached held)) {
            given.forEach(s -> move(
                    s,
                    s.state(),
                    StepState.FAILED,
                    recorder + " has no network interface; see: choir sheet show " + recorder));
            return;
        }
        List<Step> planned = new ArrayList<>();
        for (var step : given) {
            var config = config(held, step);
            if (config.isEmpty()) {
                move(
                        step,
                        step.state(),
                        StepState.FAILED,
                        "the recorder has no channel " + step.channel() + " any more");
            } else if (step.state() == StepState.PLANNED || settledAfterCrash(step, config.get())) {
                planned.add(step);
            }
        }
        List<Step> unmoved = new ArrayList<>();
        var asked = standings.ofRecorder(recorder);
        for (var step : planned) {
            mayWrite(step, config(held, step).orElseThrow(), asked, undo)
                    .ifPresentOrElse(
                            reason -> move(step, StepState.PLANNED, StepState.SKIPPED, reason),
                            () -> unmoved.add(step));
        }
        if (!unmoved.isEmpty()) {
            settle(recorder, write(recorder, unmoved));
        }
    }

    private Outcome read(String recorder) {
        return devices.read(List.of(fleet.recorder(recorder)), o -> {}).getFirst();
    }

    private static Optional<NativeConfig> config(Outcome.Reached reading, Step step) {
        return reading.reading().channels().stream()
                .filter(c -> c.channel().equals(step.channel()))
                .map(c -> c.config())
                .findFirst();
    }

    /** True when nothing had been written, so that the step is planned again. */
    private boolean settledAfterCrash(Step step, NativeConfig held) {
        var state = Settlement.afterCrash(step.changes(), held);
        if (state == StepState.PLANNED) {
            move(step, StepState.WRITING, StepState.PLANNED, "");
            return true;
        }
        settled(step, held, state, "settled by reading after an interruption");
        return false;
    }

    /** Why the step is not to be written, if so: recorder or policy have moved since the preview. */
    private Optional<String> mayWrite(Step step, NativeConfig held, Map<Node.Camera, Standing> asked, boolean undo) {
        if (!Settlement.unmoved(step.changes(), held)) {
            return Optional.of("moved: the recorder holds something else than the preview saw; preview again");
        }
        if (undo) {
            return Optional.empty();
        }
        var now = Previews.changes(asked.get(camera(step)), step.changes().keySet());
        return now.equals(new TreeMap<>(step.changes()))
                ? Optional.empty()
                : Optional.of("moved: the policy asks for something else than the preview saw; preview again");
    }

    private static Node.Camera camera(Step step) {
        return new Node.Camera(new RecorderName(step.recorder()), step.channel());
    }

    private List<Written> write(String recorder, List<Step> steps) {
        database.write(() -> steps.forEach(s -> this.steps.move(s, StepState.PLANNED, StepState.WRITING, "")));
        Map<String, Map<SettingKey, NativeValue>> byChannel = new LinkedHashMap<>();
        for (var step : steps) {
            Map<SettingKey, NativeValue> values = new LinkedHashMap<>();
            step.changes().forEach((key, change) -> values.put(key, change.after()));
            byChannel.put(step.channel(), values);
        }
        var failed = devices.write(fleet.recorder(recorder), byChannel);
        return steps.stream()
                .map(s -> new Written(s, Optional.ofNullable(failed.get(s.channel()))))
                .toList();
    }

    private void settle(String recorder, List<Written> written) {
        var back = read(recorder);
        for (var w : written) {
            switch (back) {
                case Outcome.Failed f ->
                    move(
                            w.step(),
                            StepState.WRITING,
                            StepState.FAILED,
                            "written, but it could not be read back: " + f.why().getMessage());
                case Outcome.OnSite o -> throw new IllegalStateException("a recorder without a network was written");
                case Outcome.Reached r -> settle(w, config(r, w.step()).orElse(NativeConfig.EMPTY));
            }
        }
        var now = standings.ofRecorder(recorder);
        baselines.take(written.stream().map(w -> now.get(camera(w.step()))).toList());
    }

    private void settle(Written written, NativeConfig held) {
        var step = written.step();
        var state = Settlement.afterWrite(step.changes(), held);
        var trouble = written.trouble().map(Throwable::getMessage);
        if (state == StepState.MISMATCHED && trouble.isPresent() && Settlement.unmoved(step.changes(), held)) {
            move(step, StepState.WRITING, StepState.FAILED, "nothing was changed: " + trouble.get());
        } else {
            settled(step, held, state, trouble.orElse(""));
        }
    }

    /** Verified values become the baseline; those that did not take are remembered as tried. */
    private void settled(Step step, NativeConfig held, StepState state, String detail) {
        Map<SettingKey, NativeValue> took = new LinkedHashMap<>();
        List<String> not = new ArrayList<>();
        database.write(() -> {
            step.changes().forEach((key, change) -> {
                if (held.get(key).equals(Optional.of(change.after()))) {
                    took.put(key, change.after());
                } else {
                    not.add(didNotTake(step, key, change, held));
                }
            });
            observations.verified(step.cameraId(), known(step.cameraId()), took);
            findings.givenOut(step.cameraId(), took.keySet());
            var words = not.isEmpty() ? detail : String.join("; ", not) + (detail.isEmpty() ? "" : " (" + detail + ")");
            steps.move(step, StepState.WRITING, state, words);
        });
    }

    private NativeConfig known(long camera) {
        return observations.baseline(camera).orElse(NativeConfig.EMPTY);
    }

    private String didNotTake(Step step, SettingKey key, Change change, NativeConfig held) {
        var readBack = held.get(key);
        readBack.ifPresent(back ->
                observations.didNotTake(step.cameraId(), key, new Attempt(change.after(), back), clock.instant()));
        return key + " did not take: wrote " + change.after().text() + ", reads back "
                + readBack.map(NativeValue::text).orElse("nothing");
    }

    private void move(Step step, StepState from, StepState to, String detail) {
        database.write(() -> steps.move(step, from, to, detail));
    }
}
