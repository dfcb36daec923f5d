package choir.server.standing;

import choir.fleet.Node;
import choir.fleet.Selection;
import choir.policy.Calendars;
import choir.policy.NodeWords;
import choir.server.db.Database;
import choir.server.family.KnownFamilies;
import choir.server.fleet.FleetStore;
import choir.server.reach.Reach;
import choir.server.web.ChangeFeed;
import choir.server.web.Page;
import choir.server.web.Problem;
import jakarta.annotation.PreDestroy;
import java.time.Clock;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.concurrent.locks.ReentrantLock;
import org.jspecify.annotations.Nullable;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.boot.context.event.ApplicationReadyEvent;
import org.springframework.context.event.EventListener;
import org.springframework.scheduling.annotation.Scheduled;
import org.springframework.stereotype.Component;

/**
 * Where every camera stands, kept and not computed anew. A committed change makes dirty just the recorders whose cameras it
 * can touch; they are worked out again from what the tables hold then, whatever the order of changes, and a new snapshot
 * takes the place of the old. Readers look at the snapshot that there is and never wait; whoever changes something waits
 * until its change is in.
 *
 * <p>Invariant, held by a test over random changes: the kept snapshot equals one that is computed from nothing.
 */
@Component
public class Standings {
    private static final Logger LOG = LoggerFactory.getLogger(Standings.class);

    private final Inputs inputs;
    private final Computation computation;
    private final FleetStore fleet;
    private final Database database;
    private final ChangeFeed feed;
    private final Clock clock;
    private final KeptSummaries summaries;
    private final ReentrantLock updating = new ReentrantLock();
    private volatile @Nullable Kept kept;
    private volatile boolean stopping;

    /** @param number of the last transaction of which all changes are in it */
    private record Kept(Snapshot snapshot, long number) {}

    Standings(
            Inputs inputs,
            KnownFamilies families,
            FleetStore fleet,
            Database database,
            KeptSummaries summaries,
            ChangeFeed feed,
            Clock clock) {
        this.summaries = summaries;
        this.inputs = inputs;
        this.computation = new Computation(families);
        this.fleet = fleet;
        this.database = database;
        this.feed = feed;
        this.clock = clock;
        database.listen(this::takeIn);
    }

    /** Nobody ought to be the first who asks. */
    @EventListener(ApplicationReadyEvent.class)
    void begin() {
        Thread.ofPlatform().name("standings").daemon().start(() -> {
            for (var block : snapshot().blocks()) {
                if (stopping) {
                    return;
                }
                block.cameras();
            }
        });
    }

    /** What is known now is there after a restart. */
    @Scheduled(fixedDelay = 2_000)
    void keep() {
        var now = kept;
        if (now != null) {
            summaries.keep(now.snapshot(), now.number());
        }
    }

    @PreDestroy
    void stop() {
        stopping = true;
        try {
            keep();
        } catch (RuntimeException e) {
            LOG.warn("what is known could not be kept for the next start, which works it out anew", e);
        }
    }

    @Scheduled(fixedDelay = 5_000)
    void turnTheDay() {
        var now = kept;
        if (now != null && !now.snapshot().day().equals(LocalDate.now(clock))) {
            takeIn();
        }
    }

    /** What there is to look at; what was committed before by this very thread is in it. */
    Snapshot snapshot() {
        var now = kept;
        return now != null ? now.snapshot() : takenIn();
    }

    /** A failure here must not undo what was committed; everything is worked out anew when it is asked for next. */
    private void takeIn() {
        try {
            takenIn();
        } catch (RuntimeException e) {
            LOG.error("standings could not be brought up to date; they are worked out anew when they are asked for", e);
        }
    }

    private Snapshot takenIn() {
        updating.lock();
        try {
            var before = kept;
            var next = database.seeingCommitted(() -> next(before));
            kept = next;
            if (before == null || next.snapshot() != before.snapshot()) {
                feed.moved(ChangeFeed.Topic.STANDINGS);
            }
            return next.snapshot();
        } catch (RuntimeException e) {
            // What was committed is known to nobody else any more, so nothing that is kept can be trusted.
            kept = null;
            throw e;
        } finally {
            updating.unlock();
        }
    }

    private Kept next(@Nullable Kept before) {
        if (before == null) {
            return first();
        }
        var committed = database.committed();
        var changed = committed
                .map(c -> new Kept(new Update(before.snapshot(), c.changes(), inputs, computation).next(), c.number()))
                .orElse(before);
        var today = LocalDate.now(clock);
        return before.snapshot().day().equals(today)
                ? changed
                : new Kept(onAnotherDay(changed.snapshot(), today), changed.number());
    }

    /**
     * What is in it is at least what was committed when its number was asked for; what was committed meanwhile is still to
     * be taken in.
     */
    private Kept first() {
        var today = LocalDate.now(clock);
        long number = summaries.changes();
        return summaries
                .of(today)
                .map(known -> ofKept(today, known, number))
                .orElseGet(() -> new Kept(fromNothing(today), number));
    }

    private Kept ofKept(LocalDate day, Map<String, Summary> known, long number) {
        var said = inputs.said(day);
        List<Block> blocks = new ArrayList<>();
        for (var recorder : fleet.recorders()) {
            var summary = known.get(recorder.name());
            if (summary != null) {
                blocks.add(Block.kept(recorder, summary, () -> camerasOf(said, recorder.name())));
            } else {
                inputs.of(recorder.name()).ifPresent(in -> blocks.add(computation.block(said, in)));
            }
        }
        var snapshot = Snapshot.of(day, said, blocks);
        summaries.areOf(snapshot);
        return new Kept(snapshot, number);
    }

    /** None for a recorder that was removed meanwhile, which is still to be taken in. */
    private List<Standing> camerasOf(Said said, String recorder) {
        return database.seeingCommitted(() -> inputs.of(recorder)
                .map(in -> computation.block(said, in).cameras())
                .orElse(List.of()));
    }

    /** Computes everything from the tables. */
    Snapshot fromNothing(LocalDate day) {
        var said = inputs.said(day);
        List<Block> blocks = new ArrayList<>();
        inputs.all().forEach(in -> blocks.add(computation.block(said, in)));
        return Snapshot.of(day, said, blocks);
    }

    /** Overrides end with their last day, so anything may stand elsewhere. */
    private Snapshot onAnotherDay(Snapshot upToDate, LocalDate today) {
        var said = inputs.said(today);
        List<Block> blocks = new ArrayList<>();
        upToDate.blocks().forEach(b -> blocks.add(computation.again(said, b)));
        return Snapshot.of(today, said, blocks);
    }

    /** All cameras that the person of this request may see, sorted by recorder and channel. */
    public List<Standing> all() {
        return select(Selection.ALL);
    }

    /** Those of them that a selection means. */
    public List<Standing> select(Selection selection) {
        return snapshot().select(Reach.current().narrow(selection));
    }

    /**
     * The cameras after another one, in order.
     *
     * @param after need not be there any more
     */
    public Page<Standing> page(Selection selection, Optional<Node.Camera> after, int limit) {
        var part = snapshot().part(Reach.current().narrow(selection), after, Page.checked(limit));
        return new Page<>(part.cameras(), part.next(), part.total());
    }

    /** The cameras after a place, in another order. */
    Page<Standing> page(Selection selection, CameraOrder order, Optional<CameraOrder.Place> after, int limit) {
        var part = snapshot().part(Reach.current().narrow(selection), order, after, Page.checked(limit));
        return new Page<>(part.cameras(), part.next(), part.total());
    }

    /** @throws Problem the same for a camera that is not there and for one that the person of this request may not see */
    public Standing of(Node.Camera camera) {
        return snapshot()
                .of(camera)
                .filter(s -> Reach.current().contains(s.group()))
                .orElseThrow(() -> Reach.current().isEverywhere()
                        ? fleet.noSuch(camera)
                        : new Problem(Problem.Kind.NOT_FOUND, "you see no camera \"" + camera.text() + "\""));
    }

    /** Whether the person of this request may see that camera. */
    public boolean sees(Node.Camera camera) {
        var reach = Reach.current();
        return reach.isEverywhere()
                || snapshot().of(camera).filter(s -> reach.contains(s.group())).isPresent();
    }

    /** Whether the person of this request may see all cameras of that recorder, or one of them at least. */
    public boolean sees(String recorder, boolean all) {
        var reach = Reach.current();
        if (reach.isEverywhere()) {
            return true;
        }
        var groups = block(recorder).map(b -> b.byGroup().keySet()).orElse(Set.of());
        return all
                ? !groups.isEmpty() && groups.stream().allMatch(reach::contains)
                : groups.stream().anyMatch(reach::contains);
    }

    /** What the person of this request may see of the fleet. */
    Snapshot seen() {
        var reach = Reach.current();
        return reach.isEverywhere() ? snapshot() : snapshot().within(reach);
    }

    /** The cameras of one recorder, in order. */
    public List<Standing> camerasOf(String recorder) {
        return snapshot().block(recorder).map(Block::cameras).orElse(List.of());
    }

    /** What is said of cameras at some moment that need never come. */
    public static final class Supposed {
        private final Said said;
        private final Map<Node.Camera, NodeWords> words;

        private Supposed(Said said, Map<Node.Camera, NodeWords> words) {
            this.said = said;
            this.words = words;
        }
    }

    /** What is said within this transaction, which may be taken back. */
    public Supposed supposed() {
        return new Supposed(inputs.said(LocalDate.now(clock)), inputs.wordsOfCameras());
    }

    /** The cameras of one recorder as they would stand. */
    public List<Standing> supposing(Supposed supposed, String recorder) {
        return snapshot()
                .block(recorder)
                .map(b ->
                        computation.supposing(supposed.said, supposed.words, b).cameras())
                .orElse(List.of());
    }

    /** Everything that is said in calendars. */
    public Calendars calendars() {
        return snapshot().said().calendars();
    }

    /**
     * Where the cameras of one recorder stand this very moment; within a transaction, by what that has changed so far.
     * Everything that was committed before is taken in first.
     */
    public Map<Node.Camera, Standing> ofRecorder(String recorder) {
        var said = takenIn().said();
        var block = inputs.of(recorder)
                .map(in -> computation.block(said, in))
                .orElseThrow(() -> Problem.notFound("recorder", recorder, fleet.recorderNames()));
        Map<Node.Camera, Standing> all = new LinkedHashMap<>();
        block.cameras().forEach(s -> all.put(s.camera(), s));
        return all;
    }

    /** A selection's cameras, and never none: an empty result names the selection. */
    public List<Standing> someOf(String selection) {
        var chosen = Selection.parse(selection);
        var found = select(chosen);
        if (found.isEmpty()) {
            throw new Problem(
                    Problem.Kind.NOT_FOUND,
                    !Reach.current().isEverywhere()
                            ? "you see no camera"
                                    + (selection.isBlank() ? "" : " that is selected by \"" + selection + "\"")
                            : selection.isBlank()
                                    ? "there is no camera yet; add a recorder with: choir recorder add"
                                    : "no camera is selected by \"" + selection + "\""
                                            + Meant.hints(chosen, selection, fleet));
        }
        return found;
    }

    /** The recorders that have a camera of a selection, by name; never none. */
    public List<String> recordersOf(String selection) {
        var chosen = Reach.current().narrow(Selection.parse(selection));
        List<String> names = new ArrayList<>();
        for (var block : snapshot().blocks()) {
            // A recorder that was never read has no camera yet, and is meant when all are.
            if (chosen.alternatives().isEmpty()
                    || block.mayHold(chosen) && block.cameras().stream().anyMatch(chosen)) {
                names.add(block.name());
            }
        }
        if (names.isEmpty()) {
            someOf(selection);
        }
        return names;
    }

    Optional<Block> block(String recorder) {
        return snapshot().block(recorder);
    }
}
