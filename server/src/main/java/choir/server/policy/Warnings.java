package choir.server.policy;

import choir.drift.Check;
import choir.drift.Soundness;
import choir.drift.Soundness.Unsound;
import choir.fleet.Node;
import choir.policy.EffectivePolicy;
import choir.policy.NodeWords;
import choir.policy.PolicyBook;
import choir.policy.TemplateName;
import choir.server.fleet.FleetStore;
import java.time.Clock;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Collection;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import org.springframework.stereotype.Component;

/** What is said of policies that defeat themselves when they are written, and not only by the next audit. */
@Component
class Warnings {
    private final PolicyStore policies;
    private final NodeStore nodes;
    private final FleetStore fleet;
    private final Clock clock;

    Warnings(PolicyStore policies, NodeStore nodes, FleetStore fleet, Clock clock) {
        this.policies = policies;
        this.nodes = nodes;
        this.fleet = fleet;
        this.clock = clock;
    }

    /** Each mistake once, where it first comes to be; in a transaction, by what that has changed so far. */
    List<String> at(Collection<? extends Node> where) {
        return byNode(where).values().stream().flatMap(List::stream).toList();
    }

    /** The same, node by node in the order in which they are given. */
    Map<Node, List<String>> byNode(Collection<? extends Node> where) {
        var book = policies.book(LocalDate.now(clock));
        var said = nodes.wordsOfGroups();
        Map<Node, List<String>> all = new LinkedHashMap<>();
        for (var node : where) {
            List<String> lines = new ArrayList<>();
            switch (node) {
                case Node.Group group -> {
                    ended(said.getOrDefault(group, NodeWords.NONE), book.day(), lines);
                    add(node, book.of(group), group.parent().map(book::of).orElse(EffectivePolicy.EMPTY), lines);
                }
                case Node.Camera camera -> ofCamera(book, camera, lines);
            }
            all.put(node, lines);
        }
        return all;
    }

    /** What contradicts itself within templates, whether anything uses them or not. */
    List<String> of(Collection<TemplateName> templates) {
        var book = policies.book(LocalDate.now(clock));
        List<String> lines = new ArrayList<>();
        for (var name : templates) {
            Soundness.ofTemplate(book.of(name))
                    .forEach(u -> lines.add("template " + name.text() + ": " + u.sentence()));
        }
        return lines;
    }

    private void ofCamera(PolicyBook book, Node.Camera camera, List<String> lines) {
        var group = fleet.camera(camera).group();
        var own = nodes.wordsOfCameras(Optional.of(camera.recorder().text())).getOrDefault(camera, NodeWords.NONE);
        add(camera, book.of(camera, group, own), book.of(group), lines);
        ended(own, book.day(), lines);
    }

    private static void add(Node node, EffectivePolicy there, EffectivePolicy above, List<String> lines) {
        Set<Check> known = Soundness.of(above).stream().map(Unsound::check).collect(Collectors.toSet());
        Soundness.of(there).stream()
                .filter(u -> !known.contains(u.check()))
                .forEach(u -> lines.add(node.text() + ": " + u.sentence()));
        there.blocked().stream()
                .filter(b -> !above.blocked().contains(b))
                .forEach(b -> lines.add(node.text() + ": " + b.key() + " of the "
                        + b.origin().text() + " has no effect: it is fixed by the "
                        + b.fixedBy().text()));
    }

    private static void ended(NodeWords said, LocalDate day, List<String> lines) {
        said.overrides().stream()
                .filter(o -> !o.countsOn(day))
                .forEach(o -> lines.add(o.node().text() + ": " + o.key() + " has no effect: it ended on "
                        + o.until().map(LocalDate::toString).orElse("")));
    }
}
