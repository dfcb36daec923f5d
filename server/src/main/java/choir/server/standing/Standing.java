package choir.server.standing;

import choir.area.CellMask;
import choir.drift.Cause;
import choir.drift.Deviation;
import choir.drift.Mark;
import choir.drift.Severity;
import choir.family.Family;
import choir.family.NativeConfig;
import choir.family.Translation;
import choir.fleet.CameraFacts;
import choir.policy.EffectivePolicy;
import choir.policy.SettingKey;
import choir.server.fleet.StoredCamera;
import choir.server.fleet.StoredRecorder;
import choir.server.reading.ObservationStore.Observation;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;

/**
 * Where one camera stands: what it ought to hold, what it was last read to hold, and how the two compare.
 *
 * @param observation the last reading, kept even when the recorder could not be read since
 */
public record Standing(
        StoredCamera camera,
        StoredRecorder recorder,
        Family family,
        EffectivePolicy policy,
        Translation translation,
        Optional<Observation> observation,
        NativeConfig baseline,
        List<Deviation> deviations,
        Set<String> templates) {
    public CameraFacts facts() {
        return new CameraFacts(
                camera.camera(), camera.group(), family.name(), camera.label(), camera.tags(), templates, states());
    }

    /** The words that {@code state:} of a selection asks for. */
    public Set<String> states() {
        Set<String> states = new TreeSet<>();
        if (deviations.isEmpty()) {
            states.add("not-governed");
        }
        for (var d : deviations) {
            if (d.cause().isDrift()) {
                states.add("drifted");
            }
            if (d.cause().isWaiting()) {
                states.add("waiting");
            }
            if (d.cause() == Cause.UNKNOWN) {
                states.add("unknown");
            }
            if (d.cause() == Cause.CANNOT_HONOUR) {
                states.add("cannot-honour");
            }
            if (d.cause().isDeviation() && d.severity() == Severity.HIGH) {
                states.add("at-risk");
            }
        }
        if (states.isEmpty() || states.equals(Set.of("cannot-honour"))) {
            states.add("in-tune");
        }
        return states;
    }

    public Mark mark() {
        return Mark.worst(deviations.stream().map(Mark::of).toList());
    }

    public Optional<Deviation> deviation(SettingKey key) {
        return deviations.stream().filter(d -> d.key().equals(key)).findFirst();
    }

    /** The cells over which a threshold is counted when areas are not governed. */
    Optional<CellMask> mask() {
        return Standings.mask(baseline, observation);
    }

    /** What the recorder holds as far as it can be known now; empty when it was not read or could not be. */
    public Optional<NativeConfig> held() {
        return recorder.trouble().isEmpty() ? observation.map(Observation::config) : Optional.empty();
    }
}
