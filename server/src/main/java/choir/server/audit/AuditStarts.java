package choir.server.audit;

import choir.server.reading.Sweeps;
import choir.server.standing.Askable;
import choir.server.work.Task;
import choir.server.work.Works;
import org.springframework.stereotype.Component;

/** How an audit begins, whoever asks for it. */
@Component
public class AuditStarts {
    private final Works works;
    private final Sweeps sweeps;
    private final Askable askable;

    AuditStarts(Works works, Sweeps sweeps, Askable askable) {
        this.works = works;
        this.sweeps = sweeps;
        this.askable = askable;
    }

    /**
     * Which recorders are meant is decided now, those that are paused left out; what their cameras hold is compared when
     * each was read. To be called within a transaction, and the work to be submitted after it.
     *
     * @return the number of the work
     */
    public long add(String select, String who) {
        var recorders = askable.of(select, "nothing to audit");
        long work = works.add(new Task.Audit(select), who);
        sweeps.plan(work, recorders);
        return work;
    }
}
