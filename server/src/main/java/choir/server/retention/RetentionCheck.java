package choir.server.retention;

import choir.server.ServiceSettings;
import choir.server.checkup.Check;
import org.springframework.stereotype.Component;

/** For how long records are kept, and what keeping them for a shorter time would free. */
@Component
class RetentionCheck implements Check {
    private final Retention retention;
    private final ServiceSettings.Keep keep;

    RetentionCheck(Retention retention, ServiceSettings settings) {
        this.retention = retention;
        this.keep = settings.keep();
    }

    @Override
    public String about() {
        return "records";
    }

    @Override
    public Seen look() {
        var free = retention.wouldFree();
        return Seen.well("previews are kept for " + keep.previews() + " days, what audits and readings went to for "
                + keep.works() + ", steps of rollouts for " + keep.rollouts() + ", ended findings for "
                + keep.findings()
                + "; decisions, the journal and what was in force stay; "
                + (free.isEmpty()
                        ? "half of that would free nothing"
                        : "half of that would free " + String.join(", ", free)));
    }
}
