package choir.server.report;

import choir.fleet.Selection;
import choir.server.activity.ActivityStore;
import choir.server.audit.ChosenFindings;
import choir.server.audit.DecisionStore;
import choir.server.audit.FindingStore;
import choir.server.forecast.ExpectedStore;
import choir.server.forecast.Forecasts;
import choir.server.rollout.Waiting;
import choir.server.standing.Standing;
import choir.server.standing.Standings;
import choir.server.web.Problem;
import choir.server.work.Task;
import choir.server.work.WorkHistory;
import java.time.Clock;
import java.time.Instant;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.springframework.stereotype.Component;

/** Gathers what a report is made of. */
@Component
class Reports {
    /** Of more, what was recorded is not summed while somebody waits. */
    private static final int MOST_CAMERAS = 20_000;

    private final FindingStore findings;
    private final ChosenFindings chosen;
    private final DecisionStore decisions;
    private final Standings standings;
    private final WorkHistory history;
    private final ActivityStore activity;
    private final Forecasts forecasts;
    private final Waiting waiting;
    private final Clock clock;

    Reports(
            FindingStore findings,
            ChosenFindings chosen,
            DecisionStore decisions,
            Standings standings,
            WorkHistory history,
            ActivityStore activity,
            Forecasts forecasts,
            Waiting waiting,
            Clock clock) {
        this.findings = findings;
        this.chosen = chosen;
        this.decisions = decisions;
        this.standings = standings;
        this.history = history;
        this.activity = activity;
        this.forecasts = forecasts;
        this.waiting = waiting;
        this.clock = clock;
    }

    /** @param last included */
    Report make(LocalDate first, LocalDate last, String select) {
        var span = new Span(first, last, clock.getZone());
        var now = clock.instant();
        if (span.begin().isAfter(now)) {
            throw new Problem(Problem.Kind.INVALID, "the report would begin on " + first + ", which is still to come");
        }
        var cameras = standings.select(Selection.parse(select));
        var report = Report.of(
                span,
                select,
                cameras.stream().map(Standing::camera).toList(),
                chosen.of(select, findings.within(span.begin(), span.end())),
                decisions.within(span.begin(), span.end()),
                chosen.of(select, findings.accepted()),
                history.firstDone(Task.Kind.AUDIT),
                Optional.of(now));
        return report.with(footage(cameras, span, select, now));
    }

    private ReportedFootage footage(List<Standing> cameras, Span span, String select, Instant now) {
        if (cameras.size() > MOST_CAMERAS) {
            return new ReportedFootage(List.of(), true, List.of(), Optional.empty());
        }
        List<ExpectedStore> stores = new ArrayList<>();
        Optional<Waiting.Cost> cost = Optional.empty();
        if (!span.end().isBefore(now)) {
            forecasts.stores(select, stores::add);
            cost = waiting.cost(cameras);
        }
        var sums = new ReportedFootage.Sums();
        for (var camera : cameras) {
            sums.add(camera.group().text(), activity.totals(camera.row().id(), span.first(), span.last()));
        }
        return new ReportedFootage(sums.groups(), false, stores, cost);
    }
}
