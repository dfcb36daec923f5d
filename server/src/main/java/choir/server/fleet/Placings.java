package choir.server.fleet;

import choir.document.DocumentException;
import choir.document.Fault;
import choir.fleet.Nearest;
import choir.fleet.Node;
import choir.refusal.Refusal;
import choir.server.db.Database;
import choir.server.journal.Journal;
import choir.server.reach.Reach;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import java.util.regex.Pattern;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Component;

/** Puts many cameras into groups and gives them tags: all of them, or none, with a report by line. */
@Component
class Placings {
    private static final Pattern TAG = Pattern.compile("[a-z0-9-]{1,40}");

    /**
     * @param line where it stands in what the person wrote
     * @param group stays as it is when it is not said
     * @param tags stay as they are when they are not said
     */
    record Line(
            int line,
            String camera,
            @Nullable String group,
            @Nullable List<String> tags) {}

    private record Wanted(StoredCamera camera, Node.Group group, Set<String> tags) {
        boolean changes() {
            return !camera.group().equals(group) || !camera.tags().equals(tags);
        }
    }

    private final FleetStore fleet;
    private final Database database;
    private final Journal journal;

    Placings(FleetStore fleet, Database database, Journal journal) {
        this.fleet = fleet;
        this.database = database;
        this.journal = journal;
    }

    int place(List<Line> lines, String who) {
        return place(lines, false, who);
    }

    /**
     * @param newGroups makes groups that are named and not there; otherwise such a name is a fault
     * @return how many cameras changed
     * @throws DocumentException with every fault and its line
     */
    int place(List<Line> lines, boolean newGroups, String who) {
        return database.write(() -> {
            if (newGroups) {
                make(lines, who);
            }
            var wanted = checked(lines).stream().filter(Wanted::changes).toList();
            for (var w : wanted) {
                if (!fleet.place(w.camera(), w.group(), w.tags())) {
                    throw new IllegalStateException(w.camera().camera() + " moved within a transaction");
                }
                journal.add(
                        who,
                        "placed a camera",
                        w.camera().camera().text(),
                        w.group() + " " + String.join(",", new TreeSet<>(w.tags())));
            }
            return wanted.size();
        });
    }

    /** What is no group's name is a fault that is told with the others. */
    private void make(List<Line> lines, String who) {
        Set<Node.Group> there = new HashSet<>(fleet.groups());
        for (var line : lines) {
            if (line.group() == null || !Node.Group.isGroup(line.group())) {
                continue;
            }
            var group = Node.Group.of(line.group());
            if (!there.contains(group) && Reach.current().contains(group)) {
                fleet.addGroup(group);
                there.addAll(group.chain());
                journal.add(who, "added a group", group.text(), "");
            }
        }
    }

    private List<Wanted> checked(List<Line> lines) {
        var reach = Reach.current();
        Map<String, StoredCamera> cameras = new HashMap<>();
        for (var recorder : lines.stream().flatMap(l -> recorder(l).stream()).collect(Collectors.toSet())) {
            fleet.camerasOf(recorder).stream()
                    .filter(c -> reach.contains(c.group()))
                    .forEach(c -> cameras.put(c.camera().text(), c));
        }
        var groups = fleet.groups().stream()
                .filter(reach::contains)
                .map(Node.Group::text)
                .collect(Collectors.toSet());
        List<Fault> faults = new ArrayList<>();
        List<Wanted> wanted = new ArrayList<>();
        Set<String> seen = new HashSet<>();
        for (var line : lines) {
            var camera = cameras.get(line.camera());
            if (camera == null) {
                faults.add(unknown(line, "camera", line.camera(), cameras.keySet()));
            } else if (!seen.add(line.camera())) {
                faults.add(fault(line, "camera", "\"" + line.camera() + "\" stands in an earlier line too"));
            } else {
                group(line, camera, groups, faults)
                        .ifPresent(group -> tags(line, camera, faults)
                                .ifPresent(tags -> wanted.add(new Wanted(camera, group, tags))));
            }
        }
        if (!faults.isEmpty()) {
            throw new DocumentException(faults);
        }
        return wanted;
    }

    private static Optional<String> recorder(Line line) {
        int cut = line.camera().indexOf('/');
        return cut < 1 ? Optional.empty() : Optional.of(line.camera().substring(0, cut));
    }

    private static Optional<Node.Group> group(Line line, StoredCamera camera, Set<String> groups, List<Fault> faults) {
        if (line.group() == null) {
            return Optional.of(camera.group());
        }
        try {
            var group = Node.Group.of(line.group());
            if (groups.contains(group.text())) {
                return Optional.of(group);
            }
            faults.add(unknown(line, "group", group.text(), groups));
        } catch (Refusal e) {
            faults.add(fault(line, "group", String.valueOf(e.getMessage())));
        }
        return Optional.empty();
    }

    private static Optional<Set<String>> tags(Line line, StoredCamera camera, List<Fault> faults) {
        if (line.tags() == null) {
            return Optional.of(camera.tags());
        }
        var bad = line.tags().stream().filter(t -> !TAG.matcher(t).matches()).toList();
        bad.forEach(t -> faults.add(
                fault(line, "tags", "\"" + t + "\" is not a tag; expected lower-case letters, digits, dashes")));
        return bad.isEmpty() ? Optional.of(Set.copyOf(line.tags())) : Optional.empty();
    }

    private static Fault unknown(Line line, String what, String name, Set<String> known) {
        return fault(line, what, "there is no " + what + " \"" + name + "\"" + Nearest.hint(name, known));
    }

    private static Fault fault(Line line, String column, String problem) {
        return new Fault("", line.line(), 0, column, problem);
    }
}
