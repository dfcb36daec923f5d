package choir.server.audit;

import choir.fleet.Node;
import choir.policy.Catalogue;
import choir.policy.SettingKey;
import choir.server.account.Accounts;
import choir.server.db.Database;
import choir.server.journal.Journal;
import choir.server.policy.Policies;
import choir.server.policy.Saying;
import choir.server.standing.Standing;
import choir.server.standing.Standings;
import choir.server.web.Dates;
import choir.survey.Adoption;
import java.time.Clock;
import java.util.ArrayList;
import java.util.Collection;
import java.util.Comparator;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import org.springframework.stereotype.Component;

/** Ends findings on purpose, or gives them to somebody. What cannot be decided so is said, and the rest is decided. */
@Component
class Decisions {
    record Refused(long finding, String why) {}

    record Outcome(List<Long> decided, List<Refused> refused) {}

    private final FindingStore findings;
    private final DecisionStore decisions;
    private final Standings standings;
    private final Policies policies;
    private final Accounts accounts;
    private final Journal journal;
    private final Database database;
    private final Clock clock;

    Decisions(
            FindingStore findings,
            DecisionStore decisions,
            Standings standings,
            Policies policies,
            Accounts accounts,
            Journal journal,
            Database database,
            Clock clock) {
        this.findings = findings;
        this.decisions = decisions;
        this.standings = standings;
        this.policies = policies;
        this.accounts = accounts;
        this.journal = journal;
        this.database = database;
        this.clock = clock;
    }

    /** All in one transaction, so that a finding is not ended for a policy that was not written. */
    Outcome decide(Collection<Long> ids, Decision decision, String who) {
        decision.until().ifPresent(last -> Dates.requireToCome(last, clock));
        decision.assignee().ifPresent(accounts::mustKnow);
        return database.write(() -> {
            var outcome = new Outcome(new ArrayList<>(), new ArrayList<>());
            Map<String, List<Finding>> byRecorder = new TreeMap<>();
            for (long id : ids) {
                var finding = findings.get(id);
                hindrance(finding, decision)
                        .ifPresentOrElse(
                                why -> outcome.refused().add(new Refused(id, why)),
                                () -> byRecorder
                                        .computeIfAbsent(finding.recorder(), r -> new ArrayList<>())
                                        .add(finding));
            }
            byRecorder.forEach((recorder, own) -> decide(recorder, own, decision, who, outcome));
            return outcome;
        });
    }

    private static Optional<String> hindrance(Finding finding, Decision decision) {
        if (finding.end().isPresent()) {
            return Optional.of("it has ended: " + finding.end().get().by());
        }
        return decision.act()
                .filter(act -> !finding.matter().acts().contains(act))
                .map(act -> "what it is about cannot be " + decision.word() + ": " + finding.sentence());
    }

    private void decide(String recorder, List<Finding> own, Decision decision, String who, Outcome outcome) {
        Map<Node.Camera, Standing> there =
                decision instanceof Decision.Adopt ? standings.ofRecorder(recorder) : Map.of();
        Set<Node.Camera> touched = new HashSet<>();
        for (var finding : inOrder(own)) {
            boolean again = finding.camera().filter(c -> !touched.add(c)).isPresent();
            if (again && decision instanceof Decision.Adopt) {
                // What was adopted of this camera a moment ago is part of its policy now.
                there = standings.ofRecorder(recorder);
            }
            var hindered = switch (decision) {
                case Decision.Adopt adopt -> adopt(finding, there, adopt, who);
                case Decision.Accept accept -> {
                    findings.decide(finding.id(), "accepted until " + accept.last(), Optional.of(accept.last()));
                    yield Optional.<String>empty();
                }
                case Decision.Assign assign -> {
                    findings.assign(finding.id(), assign.assignee(), assign.because());
                    yield Optional.<String>empty();
                }
            };
            if (hindered.isPresent()) {
                outcome.refused().add(new Refused(finding.id(), hindered.get()));
            } else {
                decisions.add(finding.id(), decision, who);
                journal.add(who, act(decision), finding.where(), detail(finding, decision));
                outcome.decided().add(finding.id());
            }
        }
    }

    /** Areas first, since thresholds may be counted over the cells that they watch. */
    private static List<Finding> inOrder(List<Finding> findings) {
        return findings.stream()
                .sorted(Comparator.comparing(f -> !f.matter().setting().equals(Optional.of(Catalogue.AREAS))))
                .toList();
    }

    private Optional<String> adopt(
            Finding finding, Map<Node.Camera, Standing> there, Decision.Adopt adopt, String who) {
        var found = finding.camera().flatMap(camera -> Optional.ofNullable(there.get(camera)));
        if (found.isEmpty()) {
            return Optional.of("the camera is no longer there");
        }
        var standing = found.get();
        var held = standing.held();
        if (held.isEmpty()) {
            return Optional.of("what the camera holds is not known now: "
                    + standing.trouble().orElse("it was not read"));
        }
        var key = finding.matter().setting().orElseThrow();
        var adoption = Adoption.of(
                key,
                standing.camera(),
                standing.policy(),
                standing.family(),
                held.get(),
                standing.mask(),
                standings.calendars());
        return switch (adoption) {
            case Adoption.Impossible(var why) -> Optional.of("it cannot be adopted: " + why);
            case Adoption.Possible(var statement) -> {
                var saying = new Saying(Map.of(key, statement), false, adopt.because(), Optional.of(adopt.last()), who);
                policies.say(List.of(standing.camera()), saying);
                findings.decide(finding.id(), "adopted until " + adopt.last(), Optional.empty());
                yield Optional.empty();
            }
        };
    }

    private static String act(Decision decision) {
        return switch (decision) {
            case Decision.Adopt a -> "adopted what a recorder holds";
            case Decision.Accept a -> "accepted a finding";
            case Decision.Assign a -> a.assignee().isPresent() ? "assigned a finding" : "took a finding from somebody";
        };
    }

    private static String detail(Finding finding, Decision decision) {
        return "finding " + finding.id() + ", "
                + finding.matter()
                        .setting()
                        .map(SettingKey::text)
                        .orElse(finding.matter().about())
                + decision.assignee().map(to -> ", to " + to).orElse("")
                + decision.until().map(last -> ", until " + last).orElse("")
                + (decision.because().isBlank() ? "" : " because " + decision.because());
    }
}
