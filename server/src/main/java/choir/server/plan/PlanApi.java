package choir.server.plan;

import choir.server.account.SignedIn;
import choir.server.db.Database;
import choir.server.journal.Journal;
import choir.server.web.Problem;
import jakarta.servlet.http.HttpServletRequest;
import java.security.Principal;
import java.time.Clock;
import java.time.Instant;
import java.util.List;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

/** What is done at set times. */
@RestController
class PlanApi {
    private static final int NEXT = 3;
    private static final int MOST = 200;
    private static final int USUAL_DAYS = 30;

    /**
     * @param kind {@code audit}, {@code report}, {@code activity}, {@code backup} or {@code export}
     * @param days of a report: so many full days before it is made; 30 when not said
     * @param mail of a report: to whom it goes, beside the folder of the service
     * @param cron minute, hour, day of month, month, day of week, on the service's clock
     */
    record PlanRequest(
            String kind,
            String cron,
            @Nullable String select,
            @Nullable Integer days,
            @Nullable String mail) {}

    record TimesView(String words, List<String> next, String zone) {}

    /**
     * @param words the times in words
     * @param next the next three times
     * @param trouble why it did not run the last time; missing when it did
     */
    record PlanView(
            long id,
            String kind,
            String cron,
            String words,
            String zone,
            String select,
            @Nullable Integer days,
            @Nullable String mail,
            String who,
            List<String> next,
            @Nullable String lastAt,
            @Nullable Long lastWork,
            @Nullable String trouble) {}

    private final PlanStore store;
    private final Journal journal;
    private final Database database;
    private final Clock clock;

    PlanApi(PlanStore store, Journal journal, Database database, Clock clock) {
        this.store = store;
        this.journal = journal;
        this.database = database;
        this.clock = clock;
    }

    @GetMapping("/api/v1/plans")
    List<PlanView> plans() {
        return store.all().stream().map(this::view).toList();
    }

    /** What a cron expression means, before it is a plan. */
    @GetMapping("/api/v1/plans/times")
    TimesView times(@RequestParam String cron) {
        var timing = new Timing(cron);
        return new TimesView(timing.words(), next(timing), clock.getZone().getId());
    }

    @PostMapping("/api/v1/plans")
    @ResponseStatus(HttpStatus.CREATED)
    PlanView add(@RequestBody PlanRequest given, Principal who, HttpServletRequest request) {
        var task = PlanTask.of(
                given.kind(),
                given.select() == null ? "" : given.select(),
                given.days() == null ? USUAL_DAYS : given.days(),
                Optional.ofNullable(given.mail()).filter(m -> !m.isBlank()));
        mustBeAllowed(task, request);
        var timing = new Timing(given.cron());
        if (next(timing).isEmpty()) {
            throw new choir.refusal.Refusal("\"" + timing.text() + "\" never comes");
        }
        return database.write(() -> {
            if (store.all().size() >= MOST) {
                throw new choir.refusal.Refusal("there are " + MOST + " plans already; remove one first");
            }
            long id = store.add(task, timing, who.getName());
            journal.add(who.getName(), "planned", "plan " + id, Plan.about(task, timing));
            return view(store.get(id));
        });
    }

    @DeleteMapping("/api/v1/plans/{id}")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void remove(@PathVariable long id, Principal who, HttpServletRequest request) {
        database.write(() -> {
            var plan = store.get(id);
            mustBeAllowed(plan.task(), request);
            store.remove(id);
            journal.add(who.getName(), "took a plan away", "plan " + id, plan.about());
        });
    }

    /** Whoever may not make a backup or an export plans none either, and takes none away. */
    private static void mustBeAllowed(PlanTask task, HttpServletRequest request) {
        if ((task instanceof PlanTask.Backup || task instanceof PlanTask.Export) && !SignedIn.mayAdminister(request)) {
            throw new Problem(Problem.Kind.NOT_ALLOWED, task.word() + "s are planned by administrators");
        }
    }

    private List<String> next(Timing timing) {
        return timing.next(NEXT, clock.instant(), clock.getZone()).stream()
                .map(Instant::toString)
                .toList();
    }

    private PlanView view(Plan plan) {
        return new PlanView(
                plan.id(),
                plan.task().word(),
                plan.timing().text(),
                plan.timing().words(),
                clock.getZone().getId(),
                plan.task().select(),
                plan.task() instanceof PlanTask.Report r ? r.days() : null,
                plan.task() instanceof PlanTask.Report r ? r.mail().orElse(null) : null,
                plan.who(),
                next(plan.timing()),
                plan.last().map(Instant::toString).orElse(null),
                plan.lastWork().orElse(null),
                plan.trouble().orElse(null));
    }
}
