package choir.server.standing;

import choir.fleet.Node;
import choir.fleet.Selection;
import choir.policy.Calendars;
import choir.policy.PolicyBook;
import choir.policy.TemplateName;
import choir.server.db.Change;
import choir.server.db.Database;
import choir.server.family.KnownFamilies;
import choir.server.fleet.FleetStore;
import choir.server.web.ChangeFeed;
import choir.server.web.Problem;
import java.time.Clock;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
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
    private final ReentrantLock updating = new ReentrantLock();
    private volatile @Nullable Snapshot kept;

    Standings(
            Inputs inputs, KnownFamilies families, FleetStore fleet, Database database, ChangeFeed feed, Clock clock) {
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
        Thread.ofPlatform().name("standings").daemon().start(this::snapshot);
    }

    @Scheduled(fixedDelay = 5_000)
    void turnTheDay() {
        var now = kept;
        if (now != null && !now.day().equals(LocalDate.now(clock))) {
            takeIn();
        }
    }

    /** What there is to look at; what was committed before by this very thread is in it. */
    Snapshot snapshot() {
        var now = kept;
        return now != null ? now : takenIn();
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
            if (next != before) {
                feed.moved(ChangeFeed.Topic.STANDINGS);
            }
            return next;
        } catch (RuntimeException e) {
            // What was committed is known to nobody else any more, so nothing that is kept can be trusted.
            kept = null;
            throw e;
        } finally {
            updating.unlock();
        }
    }

    private Snapshot next(@Nullable Snapshot before) {
        var changes = database.committed();
        var today = LocalDate.now(clock);
        if (before == null) {
            return fromNothing(today);
        }
        if (!before.day().equals(today)) {
            return onAnotherDay(before, changes, today);
        }
        return changes.isEmpty() ? before : new Update(before, changes).next();
    }

    /** Computes everything from the tables. */
    Snapshot fromNothing(LocalDate day) {
        var said = inputs.said(day);
        List<Block> blocks = new ArrayList<>();
        inputs.all().forEach(in -> blocks.add(computation.block(said, in)));
        return Snapshot.of(day, said, blocks);
    }

    /** Overrides end with their last day, so anything may stand elsewhere. */
    private Snapshot onAnotherDay(Snapshot before, List<Change> changes, LocalDate today) {
        var upToDate = changes.isEmpty() ? before : new Update(before, changes).next();
        var said = inputs.said(today);
        List<Block> blocks = new ArrayList<>();
        upToDate.blocks().forEach(b -> blocks.add(computation.again(said, b)));
        return Snapshot.of(today, said, blocks);
    }

    /** What some changes make of a snapshot. */
    private final class Update {
        private final Snapshot before;
        /** To be read from the tables again. */
        private final Set<String> recorders = new HashSet<>();
        /** To be worked out again, with all below them. */
        private final Set<Node.Group> groups = new HashSet<>();

        private final Set<TemplateName> templates = new HashSet<>();
        private final Set<String> calendars = new HashSet<>();
        private final Set<String> families = new HashSet<>();
        private boolean spoken;

        Update(Snapshot before, List<Change> changes) {
            this.before = before;
            changes.forEach(this::note);
        }

        private void note(Change change) {
            switch (change) {
                case Change.RecorderChanged(var recorder) -> recorders.add(recorder);
                case Change.CamerasPlaced(var placed) -> recorders.addAll(placed);
                case Change.GroupsChanged c -> {
                    // A group without cameras and words moves nobody.
                }
                case Change.NodeSpoken(Node.Camera camera) ->
                    recorders.add(camera.recorder().text());
                case Change.NodeSpoken(Node.Group group) -> {
                    spoken = true;
                    groups.add(group);
                }
                case Change.GroupMoved(var from, var to) -> {
                    spoken = true;
                    groups.add(from);
                    groups.add(to);
                    before.blocks().stream()
                            .filter(b -> b.byGroup().keySet().stream().anyMatch(from::contains))
                            .forEach(b -> recorders.add(b.name()));
                }
                case Change.TemplateRevised(var template) -> {
                    spoken = true;
                    templates.add(template);
                }
                case Change.CalendarWritten(var calendar) -> {
                    spoken = true;
                    calendars.add(calendar.text());
                }
                case Change.FamilyWritten(var family) -> families.add(family);
            }
        }

        Snapshot next() {
            var said = spoken ? saidNow() : before.said();
            Map<String, Optional<Block>> fresh = new HashMap<>();
            if (spoken || !families.isEmpty()) {
                for (var block : before.blocks()) {
                    if (!recorders.contains(block.name()) && isTouched(block)) {
                        fresh.put(block.name(), Optional.of(computation.again(said, block)));
                    }
                }
            }
            for (var recorder : recorders) {
                fresh.put(recorder, inputs.of(recorder).map(in -> computation.block(said, in)));
            }
            return before.with(said, fresh);
        }

        private Said saidNow() {
            var fresh = inputs.said(before.day());
            for (var template : templates) {
                addGroupsReachedBy(template, before.said().book());
                addGroupsReachedBy(template, fresh.book());
            }
            var book = fresh.book()
                    .takingOver(before.said().book(), g -> groups.stream().noneMatch(d -> d.contains(g)));
            var dates = calendars.isEmpty() ? before.said().calendars() : fresh.calendars();
            return new Said(book, dates, fresh.not());
        }

        private void addGroupsReachedBy(TemplateName template, PolicyBook book) {
            for (var node : book.nodesReachedBy(template)) {
                if (node instanceof Node.Group group) {
                    groups.add(group);
                }
            }
        }

        private boolean isTouched(Block block) {
            return block.byGroup().keySet().stream()
                            .anyMatch(g -> groups.stream().anyMatch(d -> d.contains(g)))
                    || families.contains(block.recorder().family())
                    || block.cameras().stream().anyMatch(this::isTouched);
        }

        private boolean isTouched(Standing camera) {
            return templates.stream().anyMatch(t -> camera.templates().contains(t.text()))
                    || !calendars.isEmpty()
                            && camera.policy()
                                    .specialDays()
                                    .filter(d ->
                                            d.byCalendar().keySet().stream().anyMatch(calendars::contains))
                                    .isPresent();
        }
    }

    /** All cameras, sorted by recorder and channel. */
    public List<Standing> all() {
        return snapshot().select(Selection.ALL);
    }

    public List<Standing> select(Selection selection) {
        return snapshot().select(selection);
    }

    public Standing of(Node.Camera camera) {
        return snapshot().of(camera).orElseThrow(() -> fleet.noSuch(camera));
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
        var found = select(Selection.parse(selection));
        if (found.isEmpty()) {
            throw new Problem(
                    Problem.Kind.NOT_FOUND,
                    selection.isBlank()
                            ? "there is no camera yet; add a recorder with: choir recorder add"
                            : "no camera is selected by \"" + selection + "\"");
        }
        return found;
    }

    /** The recorders that have a camera of a selection, by name; never none. */
    public List<String> recordersOf(String selection) {
        var chosen = Selection.parse(selection);
        var snapshot = snapshot();
        List<String> names = new ArrayList<>();
        for (var block : snapshot.blocks()) {
            if (block.mayHold(chosen) && block.cameras().stream().anyMatch(chosen)) {
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
