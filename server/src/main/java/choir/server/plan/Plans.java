package choir.server.plan;

import choir.refusal.Refusal;
import choir.server.activity.ActivityStarts;
import choir.server.audit.AuditStarts;
import choir.server.db.Database;
import choir.server.web.Problem;
import choir.server.work.Task;
import choir.server.work.Works;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.util.List;
import java.util.Optional;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.scheduling.annotation.Scheduled;
import org.springframework.stereotype.Component;

/**
 * Does what is due. What came due while the service was away is done once when it is back, and told as late. A plan whose
 * last work still goes on is left out until its next time.
 */
@Component
public class Plans {
    private static final Logger LOG = LoggerFactory.getLogger(Plans.class);
    private static final Duration LATE = Duration.ofMinutes(30);

    /** Hears, within the transaction, of plans that did not do what they should. */
    public interface Follower {
        /** @param about what it is and when it comes, in words */
        void planFailed(long plan, String about, String why);
    }

    private final PlanStore store;
    private final AuditStarts audits;
    private final ActivityStarts activities;
    private final Works works;
    private final Database database;
    private final Clock clock;
    private final List<Follower> followers;

    Plans(
            PlanStore store,
            AuditStarts audits,
            ActivityStarts activities,
            Works works,
            Database database,
            Clock clock,
            List<Follower> followers) {
        this.store = store;
        this.audits = audits;
        this.activities = activities;
        this.works = works;
        this.database = database;
        this.clock = clock;
        this.followers = followers;
    }

    @Scheduled(fixedDelayString = "${choir.plan-tick:10s}")
    void tick() {
        for (var plan : store.all()) {
            try {
                look(plan, clock.instant());
            } catch (RuntimeException e) {
                LOG.error("plan {} could not be looked at", plan.id(), e);
            }
        }
    }

    private void look(Plan plan, Instant now) {
        var next = plan.timing().after(now, clock.getZone());
        if (plan.next().isEmpty()) {
            if (next.isPresent()) {
                database.write(() -> store.moveOn(plan, next));
            }
            return;
        }
        if (!plan.next().get().isAfter(now)) {
            Optional<Long> work = database.write(() -> store.moveOn(plan, next) ? begun(plan, now) : Optional.empty());
            work.ifPresent(works::submit);
        }
    }

    private Optional<Long> begun(Plan plan, Instant now) {
        var hindrance = hindrance(plan);
        if (hindrance.isPresent()) {
            failed(plan, hindrance.get());
            return Optional.empty();
        }
        var late = Duration.between(plan.next().orElse(now), now);
        if (late.compareTo(LATE) > 0) {
            tell(
                    plan,
                    "it runs " + late.toHours() + " h " + late.toMinutesPart()
                            + " min late, since the service was away");
        }
        try {
            long work = switch (plan.task()) {
                case PlanTask.Audit(var select) -> audits.add(select, plan.who());
                case PlanTask.Activity(var select) -> activities.add(select, plan.who());
                case PlanTask.Backup() -> works.add(new Task.Backup(), plan.who());
                case PlanTask.Export() -> works.add(new Task.Export(), plan.who());
                case PlanTask.Report(var select, int days, var mail) -> {
                    var today = LocalDate.ofInstant(now, clock.getZone());
                    yield works.add(
                            new Task.Report(select, today.minusDays(days), today.minusDays(1), mail), plan.who());
                }
            };
            store.ran(plan, work);
            return Optional.of(work);
        } catch (Problem | Refusal e) {
            failed(plan, String.valueOf(e.getMessage()));
            return Optional.empty();
        }
    }

    private Optional<String> hindrance(Plan plan) {
        return plan.lastWork()
                .map(works::get)
                .filter(w -> !w.hasEnded())
                .map(w -> "the " + plan.task().word() + " before, " + w.id() + ", still goes on");
    }

    private void failed(Plan plan, String why) {
        store.didNotRun(plan, why);
        tell(plan, "it did not run: " + why);
    }

    private void tell(Plan plan, String why) {
        followers.forEach(f -> f.planFailed(plan.id(), plan.about(), why));
    }
}
