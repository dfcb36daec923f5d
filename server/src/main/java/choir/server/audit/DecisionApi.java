package choir.server.audit;

import choir.server.account.SignedIn;
import choir.server.reach.Reach;
import choir.server.standing.Standings;
import choir.server.web.Dates;
import choir.server.web.Problem;
import jakarta.servlet.http.HttpServletRequest;
import java.security.Principal;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RestController;

/** What people decide about findings, and what they decided before. */
@RestController
class DecisionApi {
    private static final int MOST = 10_000;
    private static final int LONGEST_HISTORY = 200;

    /**
     * @param decision {@code adopt}, {@code accept} or {@code assign}
     * @param until the last day of what is adopted or accepted
     * @param to whom it is assigned; missing for nobody any more
     */
    record DecisionRequest(
            List<Long> findings,
            String decision,
            @Nullable String because,
            @Nullable String until,
            @Nullable String to) {}

    record RefusedView(long finding, String why) {}

    /** @param refused those that could not be decided so; all others were */
    record DecidedView(List<Long> decided, List<RefusedView> refused) {}

    /** @param what such as {@code seen}, {@code adopted} or {@code ended} */
    record EventView(
            long finding,
            String at,
            @Nullable String who,
            String what,
            @Nullable String note,
            @Nullable String until,
            @Nullable String to) {}

    private final Decisions decisions;
    private final DecisionStore store;
    private final FindingStore findings;
    private final ChosenFindings chosen;
    private final Standings standings;

    DecisionApi(
            Decisions decisions,
            DecisionStore store,
            FindingStore findings,
            ChosenFindings chosen,
            Standings standings) {
        this.chosen = chosen;
        this.standings = standings;
        this.decisions = decisions;
        this.store = store;
        this.findings = findings;
    }

    @PostMapping("/api/v1/findings/decisions")
    DecidedView decide(@RequestBody DecisionRequest given, Principal who, HttpServletRequest request) {
        var ids = new LinkedHashSet<>(given.findings());
        if (ids.isEmpty() || ids.size() > MOST) {
            throw new Problem(
                    Problem.Kind.INVALID, "1 to " + MOST + " findings are decided at once, not " + ids.size());
        }
        var decision = decision(given);
        var meant = ids.stream().map(findings::get).toList();
        chosen.see(meant);
        if (decision instanceof Decision.Adopt) {
            mustSpeakOf(meant, SignedIn.mayEdit(request));
        }
        var outcome = decisions.decide(ids, decision, who.getName());
        return new DecidedView(
                outcome.decided(),
                outcome.refused().stream()
                        .map(r -> new RefusedView(r.finding(), r.why()))
                        .toList());
    }

    /** What is adopted is said of a camera from then on, which is more than to decide. */
    private void mustSpeakOf(List<Finding> meant, Reach reach) {
        for (var finding : meant) {
            finding.camera()
                    .filter(c -> !reach.contains(standings.of(c).group()))
                    .ifPresent(c -> {
                        throw new Problem(
                                Problem.Kind.NOT_ALLOWED,
                                "your role does not allow you to say what " + c + " is to hold, which adopting does");
                    });
        }
    }

    private static Decision decision(DecisionRequest given) {
        var because = Optional.ofNullable(given.because()).orElse("").strip();
        return switch (given.decision()) {
            case "adopt" -> new Decision.Adopt(because, until(given));
            case "accept" -> new Decision.Accept(because, until(given));
            case "assign" ->
                new Decision.Assign(
                        Optional.ofNullable(given.to()).map(String::strip).filter(to -> !to.isEmpty()), because);
            default ->
                throw new Problem(
                        Problem.Kind.INVALID,
                        "expected the decision adopt, accept or assign, not \"" + given.decision() + "\"");
        };
    }

    private static LocalDate until(DecisionRequest given) {
        if (given.until() == null) {
            throw new Problem(
                    Problem.Kind.INVALID,
                    "a last day is needed to " + given.decision() + " a finding, such as 2027-03-01");
        }
        return Dates.parse(given.until());
    }

    /** What became of a finding, and of the earlier ones of the same thing, the oldest first. */
    @GetMapping("/api/v1/findings/{id}/history")
    List<EventView> history(@PathVariable long id) {
        List<EventView> events = new ArrayList<>();
        Optional<Long> next = Optional.of(id);
        while (next.isPresent() && events.size() < LONGEST_HISTORY) {
            var finding = findings.get(next.get());
            chosen.see(List.of(finding));
            events.addAll(0, events(finding));
            next = finding.returns();
        }
        return events;
    }

    private List<EventView> events(Finding finding) {
        List<EventView> events = new ArrayList<>();
        events.add(new EventView(
                finding.id(), finding.firstSeen().toString(), null, "seen", finding.sentence(), null, null));
        for (var d : store.of(finding.id())) {
            events.add(new EventView(
                    finding.id(),
                    d.at().toString(),
                    d.who(),
                    d.decision(),
                    d.because(),
                    d.until().map(LocalDate::toString).orElse(null),
                    d.assignee().orElse(null)));
        }
        finding.end()
                .ifPresent(end -> events.add(
                        new EventView(finding.id(), end.at().toString(), null, "ended", end.by(), null, null)));
        return events;
    }
}
