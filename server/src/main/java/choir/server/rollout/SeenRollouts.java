package choir.server.rollout;

import choir.server.reach.Reach;
import choir.server.standing.Standings;
import choir.server.web.Problem;
import choir.server.work.Work;
import org.springframework.stereotype.Component;

/** Which rollouts somebody may see: those that touch no camera outside their reach. */
@Component
public class SeenRollouts {
    private final StepStore steps;
    private final Standings standings;

    SeenRollouts(StepStore steps, Standings standings) {
        this.steps = steps;
        this.standings = standings;
    }

    public boolean isSeen(Work rollout) {
        return Reach.current().isEverywhere()
                || steps.of(rollout.id()).stream().allMatch(s -> standings.sees(s.camera()));
    }

    /** @throws Problem the same as for one that is not there */
    void see(Work rollout) {
        if (!isSeen(rollout)) {
            throw new Problem(Problem.Kind.NOT_FOUND, "there is no rollout " + rollout.id());
        }
    }
}
