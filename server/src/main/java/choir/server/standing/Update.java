package choir.server.standing;

import choir.fleet.Node;
import choir.policy.PolicyBook;
import choir.policy.TemplateName;
import choir.server.db.Change;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;

/**
 * What some changes make of a snapshot: just the recorders whose cameras they can touch are worked out again, by what the
 * tables hold now.
 */
final class Update {
    private final Snapshot before;
    /** To be read from the tables again. */
    private final Set<String> recorders = new HashSet<>();
    /** To be worked out again, with all below them. */
    private final Set<Node.Group> groups = new HashSet<>();

    private final Set<TemplateName> templates = new HashSet<>();
    private final Set<String> calendars = new HashSet<>();
    private final Set<String> families = new HashSet<>();
    private boolean spoken;

    private final Inputs inputs;
    private final Computation computation;

    Update(Snapshot before, List<Change> changes, Inputs inputs, Computation computation) {
        this.before = before;
        this.inputs = inputs;
        this.computation = computation;
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
        return block.byGroup().keySet().stream().anyMatch(g -> groups.stream().anyMatch(d -> d.contains(g)))
                || families.contains(block.recorder().family())
                || templates.stream().anyMatch(t -> block.summary().templates().contains(t.text()))
                || !calendars.isEmpty() && block.cameras().stream().anyMatch(this::speaksOfThem);
    }

    private boolean speaksOfThem(Standing camera) {
        return camera.policy()
                .specialDays()
                .filter(d -> d.byCalendar().keySet().stream().anyMatch(calendars::contains))
                .isPresent();
    }
}
