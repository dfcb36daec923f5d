package choir.server.activity;

import choir.server.reading.Sweeps;
import choir.server.standing.Askable;
import choir.server.work.Task;
import choir.server.work.Works;
import org.springframework.stereotype.Component;

/** How asking for what was recorded begins, whoever asks for it. */
@Component
public class ActivityStarts {
    private final Works works;
    private final Sweeps sweeps;
    private final Askable askable;

    ActivityStarts(Works works, Sweeps sweeps, Askable askable) {
        this.works = works;
        this.sweeps = sweeps;
        this.askable = askable;
    }

    /**
     * Recorders that are paused are left out. To be called within a transaction, and the work to be submitted after it.
     *
     * @return the number of the work
     */
    public long add(String select, String who) {
        var recorders = askable.of(select, "nobody to ask");
        long work = works.add(new Task.Activity(select), who);
        sweeps.plan(work, recorders);
        return work;
    }
}
