package choir.server.fleet;

import choir.fleet.Node;
import choir.server.db.Database;
import choir.server.journal.Journal;
import choir.server.reach.Keeper;
import choir.server.web.Problem;
import java.security.Principal;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

/** The tree of groups, and many cameras placed in it at once. */
@RestController
class GroupApi {
    record NewGroup(String path) {}

    record Move(String from, String to) {}

    /** @param newGroups makes groups that are named and not there; otherwise such a name is a fault */
    record ManyPlacings(List<Placings.Line> lines, @Nullable Boolean newGroups) {}

    record Placed(int changed) {}

    private final FleetStore fleet;
    private final Placings placings;
    private final Database database;
    private final Journal journal;
    private final Keeper keeper;

    GroupApi(FleetStore fleet, Placings placings, Database database, Journal journal, Keeper keeper) {
        this.keeper = keeper;
        this.fleet = fleet;
        this.placings = placings;
        this.database = database;
        this.journal = journal;
    }

    @PostMapping("/api/v1/groups")
    @ResponseStatus(HttpStatus.CREATED)
    void add(@RequestBody NewGroup given, Principal who) {
        var group = Node.Group.of(given.path());
        keeper.hold(group);
        database.write(() -> {
            fleet.addGroup(group);
            journal.add(who.getName(), "added a group", group.text(), "");
        });
    }

    /** Moves a group with all below it, its cameras and what is said there, to another place or name. */
    @PostMapping("/api/v1/groups/move")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void move(@RequestBody Move given, Principal who) {
        var from = Node.Group.of(given.from());
        var to = Node.Group.of(given.to());
        keeper.hold(from);
        keeper.hold(to);
        database.write(() -> {
            fleet.require(from);
            if (from.equals(Node.Group.ROOT) || from.contains(to)) {
                throw new Problem(Problem.Kind.INVALID, from + " cannot be moved into itself");
            }
            if (fleet.groups().contains(to)) {
                throw new Problem(Problem.Kind.CONFLICT, "there is a group " + to + " already");
            }
            fleet.moveGroup(from, to);
            journal.add(who.getName(), "moved a group", from.text(), "to " + to);
        });
    }

    /** Removes a group that holds nothing any more. */
    @DeleteMapping("/api/v1/groups")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void remove(@RequestParam String path, Principal who) {
        var group = Node.Group.of(path);
        keeper.hold(group);
        database.write(() -> {
            fleet.require(group);
            if (group.equals(Node.Group.ROOT)) {
                throw new Problem(Problem.Kind.INVALID, "the root group stays");
            }
            int cameras = fleet.camerasIn(group);
            if (cameras > 0) {
                throw new Problem(
                        Problem.Kind.CONFLICT,
                        (cameras == 1 ? "a camera stands in " : cameras + " cameras stand in ") + group
                                + " or below; move " + (cameras == 1 ? "it" : "them") + " first");
            }
            var placed = fleet.placedIn(group);
            if (!placed.isEmpty()) {
                throw new Problem(
                        Problem.Kind.CONFLICT,
                        String.join(", ", placed) + (placed.size() == 1 ? " has" : " have") + " a role in " + group
                                + " or below; give another first");
            }
            fleet.removeGroup(group);
            journal.add(who.getName(), "removed a group", group.text(), "");
        });
    }

    /** All of them, or none; faults are told by line. */
    @PostMapping("/api/v1/placings")
    Placed place(@RequestBody ManyPlacings given, Principal who) {
        return new Placed(placings.place(given.lines(), Boolean.TRUE.equals(given.newGroups()), who.getName()));
    }
}
