package choir.server.standing;

import choir.fleet.CameraState;
import choir.fleet.Node;
import choir.fleet.Selection;
import choir.fleet.Selection.Kind;
import choir.server.fleet.StoredRecorder;
import java.util.Comparator;
import java.util.EnumSet;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;

/**
 * One recorder with its cameras, and what can be said of all of them together, so that a question about the whole fleet
 * need not look at cameras that cannot be meant.
 */
final class Block {
    private final StoredRecorder stored;
    private final StoredRecorder recorder;
    private final List<Standing> cameras;
    private final Map<Node.Group, Tally> byGroup = new HashMap<>();
    private final Set<CameraState> states = EnumSet.noneOf(CameraState.class);
    private final Set<String> tags = new HashSet<>();
    private final Set<String> templates = new HashSet<>();
    /** The labels and the devices' names, each between line breaks, in lower case. */
    private final String labels;

    private final String deviceNames;

    private Block(StoredRecorder stored, StoredRecorder recorder, List<Standing> cameras) {
        this.stored = stored;
        this.recorder = recorder;
        this.cameras = cameras.stream()
                .sorted(Comparator.comparing(s -> s.camera().channel()))
                .toList();
        var allLabels = new StringBuilder();
        var allNames = new StringBuilder();
        for (var camera : this.cameras) {
            byGroup.computeIfAbsent(camera.group(), g -> new Tally()).count(camera);
            states.addAll(camera.states());
            tags.addAll(camera.tags());
            templates.addAll(camera.templates());
            allLabels.append('\n').append(camera.loweredLabel());
            allNames.append('\n').append(camera.loweredDeviceName());
        }
        this.labels = allLabels.toString();
        this.deviceNames = allNames.toString();
    }

    /**
     * @param stored the recorder as the table holds it
     * @param recorder the same, in trouble when something that is stored of it cannot be understood
     */
    static Block of(StoredRecorder stored, StoredRecorder recorder, List<Standing> cameras) {
        return new Block(stored, recorder, cameras);
    }

    StoredRecorder stored() {
        return stored;
    }

    StoredRecorder recorder() {
        return recorder;
    }

    String name() {
        return recorder.name();
    }

    /** In the order of their channels. */
    List<Standing> cameras() {
        return cameras;
    }

    Map<Node.Group, Tally> byGroup() {
        return byGroup;
    }

    /** False when no camera of this recorder can be meant. */
    boolean mayHold(Selection selection) {
        return selection.alternatives().stream().allMatch(or -> or.stream().anyMatch(this::mayHold));
    }

    private boolean mayHold(Selection.Term term) {
        if (term.excluded()) {
            return true;
        }
        return switch (term) {
            case Selection.InGroup(var group, boolean excluded) ->
                byGroup.keySet().stream().anyMatch(group::contains);
            case Selection.InState(var state, boolean excluded) -> states.contains(state);
            case Selection.Named named -> mayHold(named);
        };
    }

    private boolean mayHold(Selection.Named named) {
        var glob = named.glob();
        return switch (named.kind()) {
            case RECORDER -> glob.matches(name());
            case CAMERA ->
                cameras.stream().anyMatch(c -> glob.matches(c.camera().text()));
            case TEMPLATE -> templates.stream().anyMatch(glob::matches);
            case FAMILY -> cameras.isEmpty() || glob.matches(cameras.getFirst().familyName());
            case TAG -> tags.stream().anyMatch(glob::matches);
            case LABEL -> labels.contains(glob.longestPiece());
            case BARE -> labels.contains(glob.longestPiece()) || deviceNames.contains(glob.longestPiece());
            case GROUP, STATE -> throw new IllegalStateException(Kind.GROUP + " is no name");
        };
    }
}
