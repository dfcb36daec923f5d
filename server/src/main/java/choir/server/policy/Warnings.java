package choir.server.policy;

import choir.drift.Check;
import choir.drift.Soundness;
import choir.drift.Soundness.Unsound;
import choir.fleet.Node;
import choir.policy.NodeWords;
import choir.policy.PolicyBook;
import choir.server.fleet.FleetStore;
import java.time.Clock;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.Collection;
import java.util.List;
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
        var book = policies.book(LocalDate.now(clock));
        List<String> lines = new ArrayList<>();
        for (var node : where) {
            switch (node) {
                case Node.Group group -> {
                    var above = group.parent().map(book::of).map(Soundness::of).orElse(List.of());
                    add(node, Soundness.of(book.of(group)), above, lines);
                }
                case Node.Camera camera -> ofCamera(book, camera, lines);
            }
        }
        return lines;
    }

    private void ofCamera(PolicyBook book, Node.Camera camera, List<String> lines) {
        var group = fleet.camera(camera).group();
        var own = nodes.wordsOfCameras(Optional.of(camera.recorder().text())).getOrDefault(camera, NodeWords.NONE);
        add(camera, Soundness.of(book.of(camera, group, own)), Soundness.of(book.of(group)), lines);
    }

    private static void add(Node node, List<Unsound> there, List<Unsound> above, List<String> lines) {
        Set<Check> known = above.stream().map(Unsound::check).collect(Collectors.toSet());
        there.stream()
                .filter(u -> !known.contains(u.check()))
                .forEach(u -> lines.add(node.text() + ": " + u.sentence()));
    }
}
