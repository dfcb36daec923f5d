package choir.server.audit;

import choir.refusal.Refusal;
import choir.server.ServiceSettings;
import choir.server.db.Database;
import choir.server.reading.Subscriptions;
import choir.server.web.Problem;
import choir.server.work.Works;
import java.time.Clock;
import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.scheduling.annotation.Scheduled;
import org.springframework.stereotype.Component;

/**
 * Audits recorders that told of a change, once they have been quiet for a moment: somebody at a panel changes one thing after
 * the other. One such audit at a time; what is told meanwhile waits for the next.
 */
@Component
class ChangeAudits {
    private static final Logger LOG = LoggerFactory.getLogger(ChangeAudits.class);
    /** Whose audits these are. */
    static final String WHO = "recorders";

    private static final int MOST = 60;

    private final Subscriptions subscriptions;
    private final AuditStarts audits;
    private final Works works;
    private final Database database;
    private final Duration quiet;
    private final Clock clock;
    private Optional<Long> last = Optional.empty();

    ChangeAudits(
            Subscriptions subscriptions,
            AuditStarts audits,
            Works works,
            Database database,
            ServiceSettings settings,
            Clock clock) {
        this.quiet = settings.changeQuiet();
        this.subscriptions = subscriptions;
        this.audits = audits;
        this.works = works;
        this.database = database;
        this.clock = clock;
    }

    @Scheduled(fixedDelayString = "${choir.change-tick:1s}")
    void tick() {
        if (last.filter(w -> !works.get(w).hasEnded()).isPresent()) {
            return;
        }
        List<String> names = new ArrayList<>();
        subscriptions.dueBefore(clock.instant().minus(quiet)).forEach((recorder, due) -> {
            if (names.size() < MOST) {
                LOG.info("{} tells of changes: {}", recorder, due.changes());
                subscriptions.taken(recorder, due);
                names.add(recorder);
            }
        });
        if (!names.isEmpty()) {
            audit(names);
        }
    }

    private void audit(List<String> names) {
        try {
            long work = database.write(() -> audits.add("recorder:" + String.join(",", names), WHO));
            works.submit(work);
            last = Optional.of(work);
        } catch (Problem | Refusal e) {
            // All of them are paused, or went away meanwhile.
            LOG.info("no audit of what changed at {}: {}", names, e.getMessage());
        }
    }
}
