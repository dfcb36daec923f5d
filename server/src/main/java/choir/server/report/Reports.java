package choir.server.report;

import choir.fleet.Selection;
import choir.server.audit.ChosenFindings;
import choir.server.audit.DecisionStore;
import choir.server.audit.FindingStore;
import choir.server.standing.Standings;
import choir.server.web.Problem;
import choir.server.work.Task;
import choir.server.work.WorkHistory;
import java.time.Clock;
import java.time.LocalDate;
import java.util.Optional;
import org.springframework.stereotype.Component;

/** Gathers what a report is made of. */
@Component
class Reports {
    private final FindingStore findings;
    private final ChosenFindings chosen;
    private final DecisionStore decisions;
    private final Standings standings;
    private final WorkHistory history;
    private final Clock clock;

    Reports(
            FindingStore findings,
            ChosenFindings chosen,
            DecisionStore decisions,
            Standings standings,
            WorkHistory history,
            Clock clock) {
        this.findings = findings;
        this.chosen = chosen;
        this.decisions = decisions;
        this.standings = standings;
        this.history = history;
        this.clock = clock;
    }

    /** @param last included */
    Report make(LocalDate first, LocalDate last, String select) {
        var span = new Span(first, last, clock.getZone());
        var now = clock.instant();
        if (span.begin().isAfter(now)) {
            throw new Problem(Problem.Kind.INVALID, "the report would begin on " + first + ", which is still to come");
        }
        return Report.of(
                span,
                select,
                standings.select(Selection.parse(select)).stream()
                        .map(s -> s.camera())
                        .toList(),
                chosen.of(select, findings.within(span.begin(), span.end())),
                decisions.within(span.begin(), span.end()),
                chosen.of(select, findings.accepted()),
                history.firstDone(Task.Kind.AUDIT),
                Optional.of(now));
    }
}
