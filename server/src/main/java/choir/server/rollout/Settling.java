package choir.server.rollout;

import choir.drift.Attempt;
import choir.family.NativeConfig;
import choir.family.NativeText;
import choir.family.NativeValue;
import choir.policy.SettingKey;
import choir.rollout.Fate;
import choir.rollout.Settlement;
import choir.rollout.StepState;
import choir.server.audit.FindingStore;
import choir.server.fleet.RecorderFollower;
import choir.server.reading.Devices.Outcome;
import choir.server.reading.Followed;
import choir.server.reading.ObservationStore;
import java.time.Clock;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;
import org.springframework.core.annotation.Order;
import org.springframework.stereotype.Component;

/**
 * Settles steps that may have been written by what a recorder is read to hold, whoever asked for the reading and whether
 * the rollout still runs or has ended. Only this decides what became of a step, so that nothing is called verified, or said
 * not to have taken, that was not seen.
 */
@Component
@Order(1)
class Settling implements Followed, RecorderFollower {
    private final StepStore steps;
    private final ObservationStore observations;
    private final FindingStore findings;
    private final Clock clock;

    Settling(StepStore steps, ObservationStore observations, FindingStore findings, Clock clock) {
        this.steps = steps;
        this.observations = observations;
        this.findings = findings;
        this.clock = clock;
    }

    @Override
    public void by(String recorder, Outcome outcome) {
        if (outcome instanceof Outcome.Reached(var reading, var _, var _)) {
            for (var step : steps.unsettled(recorder)) {
                reading.channels().stream()
                        .filter(c -> c.channel().equals(step.channel()))
                        .findFirst()
                        .ifPresent(channel -> settle(step, channel.config()));
            }
        }
    }

    @Override
    public void recorderIsRemoved(String recorder) {
        steps.lost(recorder, "the recorder was removed before what may have been written could be read back");
    }

    @Override
    public void recorderIsReplaced(String recorder) {
        steps.lost(recorder, "another device took its place before what may have been written could be read back");
    }

    private void settle(Step step, NativeConfig held) {
        if (!step.isUnderstood()) {
            steps.move(step, step.state(), StepState.FAILED, "what it was to change cannot be understood any more");
            return;
        }
        var settlement = Settlement.of(step.changes(), step.known().sent(), held);
        switch (settlement.state()) {
            case UNSETTLED -> {
                if (step.state() == StepState.WRITING) {
                    steps.move(step, StepState.WRITING, StepState.UNSETTLED, words(step, settlement));
                }
            }
            case PLANNED -> nothingLeft(step);
            case VERIFIED, MISMATCHED -> took(step, settlement, Settlement.unmoved(step.changes(), held));
            case WRITING, FAILED, SKIPPED ->
                throw new IllegalStateException("a reading does not make a step " + settlement.state());
        }
    }

    /** It is written once more while its rollout goes on. */
    private void nothingLeft(Step step) {
        if (steps.goesOn(step)) {
            steps.move(step, step.state(), StepState.PLANNED, "");
        } else {
            steps.move(step, step.state(), StepState.FAILED, joined("nothing was changed", step.detail()));
        }
    }

    /** Verified values become the baseline; those that were sent and did not take are remembered as tried. */
    private void took(Step step, Settlement settlement, boolean unmoved) {
        Map<SettingKey, NativeValue> took = new LinkedHashMap<>();
        step.cameraId().ifPresent(camera -> {
            settlement.results().forEach((key, result) -> {
                var written = step.changes().get(key).after();
                if (result.fate() == Fate.TOOK) {
                    took.put(key, written);
                } else if (result.fate() == Fate.DID_NOT_TAKE) {
                    result.readBack()
                            .ifPresent(back ->
                                    observations.didNotTake(camera, key, new Attempt(written, back), clock.instant()));
                }
            });
            observations.verified(camera, took);
            findings.givenOut(camera, took.keySet());
        });
        steps.know(step, step.known().with(settlement.results()), step.detail());
        var none = settlement.results().values().stream().allMatch(r -> r.fate() == Fate.NOT_SENT);
        boolean wasRefused = unmoved && !step.detail().isEmpty() && step.state() == StepState.WRITING;
        if (none || wasRefused) {
            steps.move(step, step.state(), StepState.FAILED, "nothing was changed: " + step.detail());
        } else {
            steps.move(step, step.state(), settlement.state(), words(step, settlement));
        }
    }

    private static String words(Step step, Settlement settlement) {
        var told = settlement.results().entrySet().stream()
                .flatMap(e -> words(e.getKey(), step.changes().get(e.getKey()).after(), e.getValue()).stream())
                .collect(Collectors.joining("; "));
        boolean later =
                step.state() == StepState.UNSETTLED || step.known().sent().isEmpty();
        var why = step.detail();
        if (later) {
            why = (why.isEmpty() ? "" : why + "; ") + "settled by a later reading";
        }
        return joined(told, why);
    }

    private static String joined(String told, String why) {
        return told.isEmpty() ? why : why.isEmpty() ? told : told + " (" + why + ")";
    }

    private static Optional<String> words(SettingKey key, NativeValue written, Settlement.Result result) {
        var back = result.readBack()
                .map(v -> NativeText.beside(v, Optional.of(written)))
                .orElse("nothing");
        return switch (result.fate()) {
            case TOOK -> Optional.empty();
            case DID_NOT_TAKE ->
                Optional.of(key + " did not take: wrote " + NativeText.beside(written, result.readBack())
                        + ", reads back " + back);
            case NOT_SENT -> Optional.of(key + " was not sent; the recorder holds " + back);
            case LEFT_OPEN -> Optional.of(key + " may have been sent; the recorder holds " + back);
            case NOT_SHOWN -> Optional.of(key + " was not shown when it was read back");
        };
    }
}
