package choir.server.standing;

import choir.fleet.CameraState;
import choir.fleet.Glob;
import choir.fleet.Node;
import choir.fleet.Selection;
import choir.fleet.Selection.Kind;
import choir.server.fleet.Contact;
import choir.server.fleet.StoredRecorder;
import choir.server.reach.Reach;
import java.time.Instant;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.Supplier;
import org.jspecify.annotations.Nullable;

/**
 * One recorder with its cameras, and what can be said of all of them together, so that a question about the whole fleet
 * need not look at cameras that cannot be meant. The cameras of a block that was known before a restart are worked out
 * when somebody asks for them.
 */
final class Block {
    /**
     * @param labels the labels and the devices' names, each between line breaks, in lower case
     */
    private record Cameras(List<Standing> all, String labels, String deviceNames) {
        static Cameras of(List<Standing> unsorted) {
            var sorted = unsorted.stream()
                    .sorted(Comparator.comparing(s -> s.camera().channel()))
                    .toList();
            var labels = new StringBuilder();
            var names = new StringBuilder();
            for (var camera : sorted) {
                labels.append('\n').append(camera.loweredLabel());
                names.append('\n').append(camera.loweredDeviceName());
            }
            return new Cameras(sorted, labels.toString(), names.toString());
        }
    }

    private final StoredRecorder stored;
    private final StoredRecorder recorder;
    private final Summary summary;
    private volatile @Nullable Cameras cameras;
    private @Nullable Supplier<List<Standing>> source;

    private Block(
            StoredRecorder stored,
            Summary summary,
            @Nullable Cameras cameras,
            @Nullable Supplier<List<Standing>> source) {
        this.stored = stored;
        this.recorder = summary.trouble().map(why -> inTrouble(stored, why)).orElse(stored);
        this.summary = summary;
        this.cameras = cameras;
        this.source = source;
    }

    /**
     * @param stored the recorder as the table holds it
     * @param trouble why it counts as failed all the same
     */
    static Block of(StoredRecorder stored, Optional<String> trouble, List<Standing> cameras) {
        return new Block(stored, Summary.of(trouble, cameras), Cameras.of(cameras), null);
    }

    /** One of which the summary was kept. */
    static Block kept(StoredRecorder stored, Summary summary, Supplier<List<Standing>> source) {
        return new Block(stored, summary, null, source);
    }

    static StoredRecorder inTrouble(StoredRecorder stored, String why) {
        var last = stored.contact().lastReached();
        return stored.in(new Contact.Failed(last.orElse(Instant.EPOCH), why, last));
    }

    /** Its cameras that lie within reach; empty when none does. */
    Optional<Block> within(Reach reach) {
        var groups = byGroup().keySet();
        if (groups.stream().noneMatch(reach::contains)) {
            return Optional.empty();
        }
        return Optional.of(
                groups.stream().allMatch(reach::contains)
                        ? this
                        : of(
                                stored,
                                summary.trouble(),
                                cameras().stream()
                                        .filter(c -> reach.contains(c.group()))
                                        .toList()));
    }

    StoredRecorder stored() {
        return stored;
    }

    /** The same, in trouble when something that is stored of it or reaches its cameras cannot be understood. */
    StoredRecorder recorder() {
        return recorder;
    }

    String name() {
        return stored.name();
    }

    Summary summary() {
        return summary;
    }

    /** In the order of their channels. */
    List<Standing> cameras() {
        return loaded().all();
    }

    boolean isLoaded() {
        return cameras != null;
    }

    private Cameras loaded() {
        var known = cameras;
        return known != null ? known : load();
    }

    private synchronized Cameras load() {
        var known = cameras;
        if (known == null) {
            known = Cameras.of(source == null ? List.of() : source.get());
            cameras = known;
            source = null;
        }
        return known;
    }

    Map<Node.Group, Tally> byGroup() {
        return summary.byGroup();
    }

    /** False when no camera of this recorder can be meant. */
    boolean mayHold(Selection selection) {
        return selection.alternatives().stream().allMatch(or -> or.stream().anyMatch(this::mayHold));
    }

    /** How many of its cameras are meant. */
    int count(Selection selection) {
        return mayHold(selection) ? (int) cameras().stream().filter(selection).count() : 0;
    }

    private boolean mayHold(Selection.Term term) {
        if (term.excluded()) {
            return true;
        }
        return switch (term) {
            case Selection.InGroup(var group, boolean excluded) ->
                byGroup().keySet().stream().anyMatch(group::contains);
            case Selection.InState(CameraState state, boolean excluded) ->
                summary.states().contains(state);
            case Selection.Named named -> mayHold(named);
            case Selection.Bare bare ->
                loaded().labels().contains(bare.within().longestPiece())
                        || loaded().deviceNames().contains(bare.within().longestPiece())
                        || mayBeCalled(bare.whole());
        };
    }

    /** Most recorders are passed over by their name, and what is known of their cameras is not even taken up. */
    private boolean mayBeCalled(Glob camera) {
        return camera.mayMatchFrom(name())
                && loaded().all().stream()
                        .anyMatch(c -> camera.matches(c.camera().text()));
    }

    private boolean mayHold(Selection.Named named) {
        var glob = named.glob();
        return switch (named.kind()) {
            case RECORDER -> glob.matches(name());
            case TEMPLATE -> summary.templates().stream().anyMatch(glob::matches);
            case FAMILY -> glob.matches(stored.family());
            case TAG -> summary.tags().stream().anyMatch(glob::matches);
            case CAMERA -> mayBeCalled(glob);
            case LABEL -> loaded().labels().contains(glob.longestPiece());
            case GROUP, STATE, BARE -> throw new IllegalStateException(Kind.GROUP + " is no name");
        };
    }
}
