package choir.server.standing;

import choir.area.CellMask;
import choir.drift.Deviation;
import choir.family.Family;
import choir.family.NativeConfig;
import choir.family.NativeValue;
import choir.family.Translation;
import choir.fleet.CameraFacts;
import choir.fleet.CameraState;
import choir.fleet.Node;
import choir.policy.Catalogue;
import choir.policy.EffectivePolicy;
import choir.policy.NodeWords;
import choir.policy.SettingKey;
import choir.server.fleet.Contact;
import choir.server.fleet.StoredCamera;
import choir.server.fleet.StoredRecorder;
import choir.server.reading.Content;
import choir.server.reading.Known;
import choir.server.reading.Observation;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.Set;

/**
 * Where one camera stands: what it ought to hold, what it was last read to hold, and how the two compare.
 *
 * @param row the camera as the table holds it
 * @param own what is said at the camera itself
 * @param known the last reading, kept even when the recorder could not be read since, and what was verified
 * @param templates names of the templates that reach it
 */
public record Standing(
        StoredCamera row,
        StoredRecorder recorder,
        Family family,
        NodeWords own,
        Known known,
        EffectivePolicy policy,
        Translation translation,
        Comparison comparison,
        Set<String> templates)
        implements CameraFacts {
    @Override
    public Node.Camera camera() {
        return row.camera();
    }

    @Override
    public Node.Group group() {
        return row.group();
    }

    @Override
    public String familyName() {
        return family.name();
    }

    @Override
    public String loweredLabel() {
        return row.label().toLowerCase(Locale.ROOT);
    }

    @Override
    public String loweredDeviceName() {
        return row.deviceName().toLowerCase(Locale.ROOT);
    }

    @Override
    public Set<String> tags() {
        return row.tags();
    }

    @Override
    public Set<CameraState> states() {
        return comparison.states();
    }

    public List<Deviation> deviations() {
        return comparison.deviations();
    }

    public Optional<Deviation> deviation(SettingKey key) {
        return deviations().stream().filter(d -> d.key().equals(key)).findFirst();
    }

    public Optional<Observation> observation() {
        return known.observation();
    }

    public NativeConfig baseline() {
        return known.baseline().map(Content::config).orElse(NativeConfig.EMPTY);
    }

    /** What the recorder holds as far as it can be known now; empty when it was not read or could not be. */
    public Optional<NativeConfig> held() {
        return held(recorder, row, known).map(Content::config);
    }

    static Optional<Content> held(StoredRecorder recorder, StoredCamera camera, Known known) {
        return recorder.contact() instanceof Contact.Reached
                        && camera.goneSince().isEmpty()
                ? known.observation().map(Observation::content)
                : Optional.empty();
    }

    /** Why nobody knows what the camera holds now; empty when it was read. */
    public Optional<String> trouble() {
        return recorder.contact()
                .trouble()
                .or(() -> row.goneSince()
                        .map(since -> "the channel " + row.camera().channel() + " is no longer on " + recorder.name()
                                + "; what is shown is what it held when it was last read"));
    }

    /** The cells over which a threshold is counted when areas are not governed. */
    public Optional<CellMask> mask() {
        return mask(known);
    }

    /** Those of the last verified write, else those observed. */
    static Optional<CellMask> mask(Known known) {
        return known.baseline()
                .flatMap(b -> b.config().get(Catalogue.AREAS))
                .or(() -> known.observation().flatMap(o -> o.content().config().get(Catalogue.AREAS)))
                .filter(NativeValue.Mask.class::isInstance)
                .map(v -> ((NativeValue.Mask) v).mask());
    }
}
