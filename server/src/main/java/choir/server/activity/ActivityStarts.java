package choir.server.activity;

import choir.server.fleet.PauseStore;
import choir.server.reading.Sweeps;
import choir.server.standing.Standings;
import choir.server.web.Problem;
import choir.server.work.Task;
import choir.server.work.Works;
import org.springframework.stereotype.Component;

/** How asking for what was recorded begins, whoever asks for it. */
@Component
public class ActivityStarts {
    private final Works works;
    private final Sweeps sweeps;
    private final Standings standings;
    private final PauseStore pauses;

    ActivityStarts(Works works, Sweeps sweeps, Standings standings, PauseStore pauses) {
        this.works = works;
        this.sweeps = sweeps;
        this.standings = standings;
        this.pauses = pauses;
    }

    /**
     * Recorders that are paused are left out. To be called within a transaction, and the work to be submitted after it.
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
                    "there is nobody to ask: " + paused.get(meant.getFirst()).words(meant.getFirst()));
        }
        long work = works.add(new Task.Activity(select), who);
        sweeps.plan(work, recorders);
        return work;
    }
}
