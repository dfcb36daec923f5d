package choir.server.standing;

import choir.server.fleet.PauseStore;
import choir.server.web.Problem;
import java.util.List;
import org.springframework.stereotype.Component;

/** The recorders of a selection that may be asked: all but those that are paused. */
@Component
public class Askable {
    private final Standings standings;
    private final PauseStore pauses;

    Askable(Standings standings, PauseStore pauses) {
        this.standings = standings;
        this.pauses = pauses;
    }

    /**
     * By name; never none.
     *
     * @param nothing what there is none of when all are paused, for a sentence, such as {@code nothing to audit}
     */
    public List<String> of(String select, String nothing) {
        var paused = pauses.inForce();
        var meant = standings.recordersOf(select);
        var recorders = meant.stream().filter(r -> !paused.containsKey(r)).toList();
        if (recorders.isEmpty()) {
            throw new Problem(
                    Problem.Kind.CONFLICT,
                    "there is " + nothing + ": " + paused.get(meant.getFirst()).words(meant.getFirst()));
        }
        return recorders;
    }
}
