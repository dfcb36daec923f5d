package choir.server.standing;

import choir.fleet.Node;
import choir.policy.NodeWords;
import choir.server.fleet.FleetStore;
import choir.server.fleet.StoredCamera;
import choir.server.policy.CalendarStore;
import choir.server.policy.NodeStore;
import choir.server.policy.PolicyStore;
import choir.server.reading.Known;
import choir.server.reading.ObservationStore;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import org.springframework.stereotype.Component;

/** What standings are worked out from, as the tables hold it. */
@Component
class Inputs {
    private final FleetStore fleet;
    private final PolicyStore policies;
    private final NodeStore nodes;
    private final CalendarStore calendars;
    private final ObservationStore observations;

    Inputs(
            FleetStore fleet,
            PolicyStore policies,
            NodeStore nodes,
            CalendarStore calendars,
            ObservationStore observations) {
        this.fleet = fleet;
        this.policies = policies;
        this.nodes = nodes;
        this.calendars = calendars;
        this.observations = observations;
    }

    Said said(LocalDate day) {
        return new Said(policies.book(day), calendars.calendars(), policies.notUnderstood());
    }

    Map<Node.Camera, NodeWords> wordsOfCameras() {
        return nodes.wordsOfCameras(Optional.empty());
    }

    List<Computation.Inputs> all() {
        Map<String, List<StoredCamera>> cameras = new HashMap<>();
        fleet.cameras()
                .forEach(c -> cameras.computeIfAbsent(c.camera().recorder().text(), r -> new ArrayList<>())
                        .add(c));
        var words = wordsOfCameras();
        var known = observations.known(Optional.empty());
        List<Computation.Inputs> all = new ArrayList<>();
        for (var recorder : fleet.recorders()) {
            var own = cameras.getOrDefault(recorder.name(), List.of());
            all.add(new Computation.Inputs(recorder, own, of(own, words), ofRows(own, known)));
        }
        return all;
    }

    private static Map<Node.Camera, NodeWords> of(List<StoredCamera> cameras, Map<Node.Camera, NodeWords> words) {
        Map<Node.Camera, NodeWords> own = new HashMap<>();
        cameras.forEach(c -> Optional.ofNullable(words.get(c.camera())).ifPresent(w -> own.put(c.camera(), w)));
        return own;
    }

    private static Map<Long, Known> ofRows(List<StoredCamera> cameras, Map<Long, Known> known) {
        Map<Long, Known> own = new HashMap<>();
        cameras.forEach(c -> Optional.ofNullable(known.get(c.id())).ifPresent(k -> own.put(c.id(), k)));
        return own;
    }

    /** Empty when there is no recorder of that name. */
    Optional<Computation.Inputs> of(String recorder) {
        return fleet.find(recorder)
                .map(r -> new Computation.Inputs(
                        r,
                        fleet.camerasOf(recorder),
                        nodes.wordsOfCameras(Optional.of(recorder)),
                        observations.known(Optional.of(recorder))));
    }
}
