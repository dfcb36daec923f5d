package choir.server.notice;

import choir.drift.Severity;
import choir.server.audit.Finding;
import choir.server.audit.FindingStore;
import choir.server.plan.Plans;
import choir.server.work.Task;
import choir.server.work.Work;
import choir.server.work.Works;
import java.time.Clock;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.TreeMap;
import java.util.stream.Collectors;
import org.springframework.stereotype.Component;

/**
 * What people want to hear of, put into the outbox within the transaction in which it comes to be: one for an audit and not one
 * for each camera.
 */
@Component
class Noticing implements Works.Follower, Plans.Follower {
    private static final int NAMED = 20;

    private final RuleStore rules;
    private final OutboxStore outbox;
    private final FindingStore findings;
    private final Clock clock;

    Noticing(RuleStore rules, OutboxStore outbox, FindingStore findings, Clock clock) {
        this.rules = rules;
        this.outbox = outbox;
        this.findings = findings;
        this.clock = clock;
    }

    private void tellWhenFailed(Work work) {
        if (work.state() == Work.State.FAILED) {
            tell(Severity.HIGH, failed(work, work.task()));
        }
    }

    @Override
    public void workEnds(Work work) {
        switch (work.task()) {
            case Task.Audit a -> audited(work);
            case Task.Rollout r -> rolledOut(work, r);
            case Task.Report r -> tellWhenFailed(work);
            case Task.Backup b -> tellWhenFailed(work);
            case Task.Export e -> tellWhenFailed(work);
            case Task.Passwords p -> {
                if (work.state() != Work.State.DONE) {
                    tell(Severity.HIGH, failed(work, p));
                }
            }
            case Task.Activity a -> audited(work);
            case Task.Reading r -> {
                // Whoever asked for it sees what came of it.
            }
            case Task.NotUnderstood n -> tell(Severity.HIGH, failed(work, work.task()));
        }
    }

    @Override
    public void planFailed(long plan, String about, String why) {
        tell(
                Severity.HIGH,
                new Notice(
                        "plan",
                        Severity.HIGH,
                        "Plan " + plan + ": " + why,
                        "The plan " + plan + ", " + about + ": " + why + ".\n",
                        Map.of("plan", plan, "about", about, "why", why)));
    }

    private void audited(Work work) {
        if (work.state() == Work.State.FAILED) {
            tell(Severity.HIGH, failed(work, work.task()));
            return;
        }
        if (rules.all().isEmpty()) {
            return;
        }
        var opened = findings.openedBy(work.id(), work.createdAt());
        for (var rule : rules.all()) {
            var meant = opened.stream()
                    .filter(f -> f.severity().compareTo(rule.severity()) >= 0)
                    .toList();
            if (!meant.isEmpty()) {
                put(rule, found(work, meant));
            }
        }
    }

    private static Notice found(Work work, List<Finding> opened) {
        var count = opened.size() == 1 ? "1 new finding" : opened.size() + " new findings";
        long high = opened.stream().filter(f -> f.severity() == Severity.HIGH).count();
        Map<String, Long> byCause =
                opened.stream().collect(Collectors.groupingBy(Finding::why, TreeMap::new, Collectors.counting()));
        var body = new StringBuilder(
                        work.task() instanceof Task.Activity ? "What was recorded, asked in work " : "The audit ")
                .append(work.id())
                .append(work.task() instanceof Task.Activity ? ", shows " : " found ")
                .append(count)
                .append(".\n\n");
        byCause.forEach((cause, n) -> body.append("%5d  %s%n".formatted(n, cause)));
        body.append('\n');
        opened.stream()
                .limit(NAMED)
                .forEach(f -> body.append("%-6s  %s  %s%n        %s%n"
                        .formatted(f.severity().word(), f.where(), f.label(), f.sentence())));
        if (opened.size() > NAMED) {
            body.append("and ").append(opened.size() - NAMED).append(" more\n");
        }
        return new Notice(
                "findings",
                opened.getFirst().severity(),
                count + (high > 0 ? ", " + high + " of high severity" : ""),
                body.toString(),
                Map.of(
                        "audit",
                        work.id(),
                        "count",
                        opened.size(),
                        "high",
                        high,
                        "byCause",
                        byCause,
                        "findings",
                        opened.stream()
                                .limit(NAMED)
                                .map(f -> Map.of(
                                        "id", f.id(),
                                        "severity", f.severity().word(),
                                        "where", f.where(),
                                        "sentence", f.sentence()))
                                .toList()));
    }

    private void rolledOut(Work work, Task.Rollout rollout) {
        if (work.state() != Work.State.DONE) {
            tell(work.state() == Work.State.FAILED ? Severity.HIGH : Severity.MEDIUM, failed(work, rollout));
        }
    }

    private static Notice failed(Work work, Task task) {
        var kind = task.kind().name().toLowerCase(Locale.ROOT);
        var subject = capital(kind) + " " + work.id() + ": " + work.note();
        return new Notice(
                kind,
                Severity.HIGH,
                subject,
                subject + ".\nIt was asked for by " + work.who() + ".\n",
                Map.of(
                        kind,
                        work.id(),
                        "state",
                        work.state().name().toLowerCase(Locale.ROOT),
                        "note",
                        work.note(),
                        "who",
                        work.who()));
    }

    private static String capital(String word) {
        return word.substring(0, 1).toUpperCase(Locale.ROOT) + word.substring(1);
    }

    private void tell(Severity severity, Notice notice) {
        rules.all().stream()
                .filter(rule -> severity.compareTo(rule.severity()) >= 0)
                .forEach(rule -> put(rule, notice));
    }

    private void put(NoticeRule rule, Notice notice) {
        outbox.add(rule.id(), notice, rule.due(clock.instant(), clock.getZone()));
    }
}
