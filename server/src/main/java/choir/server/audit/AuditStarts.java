package choir.server.audit;

import choir.server.fleet.PauseStore;
import choir.server.reading.Sweeps;
import choir.server.standing.Standings;
import choir.server.web.Problem;
import choir.server.work.Task;
import choir.server.work.Works;
import org.springframework.stereotype.Component;

/** How an audit begins, whoever asks for it. */
@Component
public class AuditStarts {
    private final Works works;
    private final Sweeps sweeps;
    private final Standings standings;
    private final PauseStore pauses;

    AuditStarts(Works works, Sweeps sweeps, Standings standings, PauseStore pauses) {
        this.pauses = pauses;
        this.works = works;
        this.sweeps = sweeps;
        this.standings = standings;
    }

    /**
     * Which recorders are meant is decided now, those that are paused left out; what their cameras hold is compared when
     * each was read. To be called within a transaction, and the work to be submitted after it.
     *
     * @return the number of the work
     */
    public long add(String select, String who) {
        var paused = pauses.inForce();
        var meant = standings.recordersOf(select);
        var recorders = meant.stream().filter(r -> !paused.containsKey(r)).toList();
        if (recorders.isEmpty()) {
            throw new Problem(
                    Problem.Kind.CONFLICT,
                    "there is nothing to audit: " + paused.get(meant.getFirst()).words(meant.getFirst()));
        }
        long work = works.add(new Task.Audit(select), who);
        sweeps.plan(work, recorders);
        return work;
    }
}
