package choir.server.audit;

import choir.fleet.Node;
import choir.fleet.Selection;
import choir.server.reach.Reach;
import choir.server.standing.Standings;
import choir.server.web.Problem;
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

    /**
     * Those that the person of this request may see; of a whole recorder when they may see all of it.
     *
     * @param select empty for all, and then also those of cameras that are no longer there
     */
    public List<Finding> of(String select, List<Finding> all) {
        if (select.isBlank() && Reach.current().isEverywhere()) {
            return all;
        }
        Set<Node.Camera> cameras = new HashSet<>();
        Set<String> recorders = new HashSet<>();
        boolean everywhere = Reach.current().isEverywhere();
        for (var s : standings.select(Selection.parse(select))) {
            cameras.add(s.camera());
            if (everywhere || standings.sees(s.recorder().name(), true)) {
                recorders.add(s.recorder().name());
            }
        }
        return all.stream()
                .filter(f -> f.camera().map(cameras::contains).orElseGet(() -> recorders.contains(f.recorder())))
                .toList();
    }

    /** @throws Problem the same for one that is not there and one that the person of this request may not see */
    public void see(List<Finding> findings) {
        var seen = new HashSet<>(of("", findings));
        findings.stream().filter(f -> !seen.contains(f)).findFirst().ifPresent(f -> {
            throw new Problem(Problem.Kind.NOT_FOUND, "there is no finding " + f.id());
        });
    }
}
