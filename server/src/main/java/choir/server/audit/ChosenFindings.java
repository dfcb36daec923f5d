package choir.server.audit;

import choir.fleet.Node;
import choir.fleet.Selection;
import choir.server.standing.Standings;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
import org.springframework.stereotype.Component;

/** Findings of the cameras that a selection chooses now; those of a whole recorder when it has one of them. */
@Component
public class ChosenFindings {
    private final Standings standings;

    ChosenFindings(Standings standings) {
        this.standings = standings;
    }

    /** @param select empty for all, and then also those of cameras that are no longer there */
    public List<Finding> of(String select, List<Finding> all) {
        if (select.isBlank()) {
            return all;
        }
        Set<Node.Camera> cameras = new HashSet<>();
        Set<String> recorders = new HashSet<>();
        for (var s : standings.select(Selection.parse(select))) {
            cameras.add(s.camera());
            recorders.add(s.recorder().name());
        }
        return all.stream()
                .filter(f -> f.camera().map(cameras::contains).orElseGet(() -> recorders.contains(f.recorder())))
                .toList();
    }
}
