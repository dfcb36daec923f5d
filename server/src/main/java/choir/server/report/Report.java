package choir.server.report;

import choir.drift.Severity;
import choir.fleet.Node;
import choir.server.audit.DecisionStore.Decided;
import choir.server.audit.Finding;
import choir.server.audit.Trend;
import java.time.Duration;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Collection;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
import java.util.function.Function;

/**
 * What was in tune within a span, and what was not. The same facts give the same report: nothing in it says when it was made.
 *
 * @param cameras how many are chosen now
 * @param knownSince the end of the first audit; empty when there was none
 * @param days open at the end of each
 * @param open at the end of the span, the worst first
 * @param ended within the span
 * @param decisions taken within the span about these findings
 * @param accepted before the end of the span, and quiet still
 * @param footage what was recorded within the span, and what is expected of disks
 */
record Report(
        Span span,
        String select,
        int cameras,
        Shares shares,
        Optional<Instant> knownSince,
        List<Trend.Day> days,
        List<Part> groups,
        List<Part> settings,
        List<Finding> open,
        List<Finding> ended,
        List<Decision> decisions,
        List<Finding> accepted,
        Totals totals,
        ReportedFootage footage) {
    /**
     * @param atBegin open when the span began
     * @param opened within the span
     * @param hoursWithoutRecording at most: of each camera the worst finding's minutes of the week, for as long as it was open
     */
    record Totals(int atBegin, int opened, int ended, int atEnd, int high, double hoursWithoutRecording) {}

    /** One group or setting, with the findings about it. */
    record Part(String name, int opened, int ended, int atEnd, int high, double hoursWithoutRecording) {}

    record Decision(Decided decided, Finding finding) {}

    /**
     * @param findings all that were open at some time within the span
     * @param cameras that the selection has now
     * @param accepted all that stay quiet today
     * @param knownSince the end of the first audit that there ever was
     * @param now nothing is said of what is still to come
     */
    static Report of(
            Span span,
            String select,
            Collection<Node.Camera> cameras,
            List<Finding> findings,
            List<Decided> decisions,
            List<Finding> accepted,
            Optional<Instant> knownSince,
            Optional<Instant> now) {
        var until = now.filter(n -> n.isBefore(span.end())).orElse(span.end());
        Map<Long, Finding> byId = new HashMap<>();
        findings.forEach(f -> byId.put(f.id(), f));
        var open = findings.stream().filter(f -> openAt(f, until)).sorted(WORST).toList();
        var ended = findings.stream()
                .filter(f -> !openAt(f, until))
                .sorted(Comparator.comparing(
                                (Finding f) -> f.end().orElseThrow().at())
                        .thenComparing(Finding::id))
                .toList();
        return new Report(
                span,
                select,
                cameras.size(),
                Shares.of(span, cameras, findings, knownSince.orElse(span.end()), until),
                knownSince,
                Trend.of(findings, span.first(), span.last(), span.zone()),
                parts(
                        span,
                        until,
                        findings,
                        f -> f.group().map(Node.Group::text).orElse("")),
                parts(span, until, findings, f -> f.matter().title()),
                open,
                ended,
                decisions.stream()
                        .filter(d -> byId.containsKey(d.finding()))
                        .map(d -> new Decision(d, byId.get(d.finding())))
                        .toList(),
                accepted.stream()
                        .filter(f ->
                                f.end().filter(e -> e.at().isBefore(span.end())).isPresent())
                        .toList(),
                totals(span, until, findings),
                ReportedFootage.NOTHING);
    }

    Report with(ReportedFootage other) {
        return new Report(
                span,
                select,
                cameras,
                shares,
                knownSince,
                days,
                groups,
                settings,
                open,
                ended,
                decisions,
                accepted,
                totals,
                other);
    }

    private static final Comparator<Finding> WORST = Comparator.comparing(Finding::severity)
            .reversed()
            .thenComparing(Finding::firstSeen)
            .thenComparing(Finding::id);

    private static boolean openAt(Finding f, Instant time) {
        return f.firstSeen().isBefore(time)
                && f.end().filter(e -> !e.at().isAfter(time)).isEmpty();
    }

    private static Totals totals(Span span, Instant until, List<Finding> findings) {
        var all = part("", span, until, findings);
        int atBegin =
                (int) findings.stream().filter(f -> openAt(f, span.begin())).count();
        return new Totals(atBegin, all.opened(), all.ended(), all.atEnd(), all.high(), all.hoursWithoutRecording());
    }

    private static List<Part> parts(Span span, Instant until, List<Finding> findings, Function<Finding, String> name) {
        Map<String, List<Finding>> byName = new TreeMap<>();
        findings.forEach(f ->
                byName.computeIfAbsent(name.apply(f), n -> new ArrayList<>()).add(f));
        List<Part> parts = new ArrayList<>();
        byName.forEach((n, own) -> parts.add(part(n, span, until, own)));
        return parts;
    }

    private static Part part(String name, Span span, Instant until, List<Finding> findings) {
        var open = findings.stream().filter(f -> openAt(f, until)).toList();
        return new Part(
                name,
                (int) findings.stream()
                        .filter(f -> !f.firstSeen().isBefore(span.begin()))
                        .count(),
                findings.size() - open.size(),
                open.size(),
                (int) open.stream().filter(f -> f.severity() == Severity.HIGH).count(),
                hoursWithoutRecording(span, until, findings));
    }

    /** Findings of one camera overlap, so the worst of each counts alone. */
    private static double hoursWithoutRecording(Span span, Instant until, List<Finding> findings) {
        Map<String, Double> worst = new HashMap<>();
        for (var f : findings) {
            double weeks = share(span, f, until).toMillis()
                    / (double) Duration.ofDays(7).toMillis();
            double hours = f.distance().minutesWithoutRecording() * weeks / 60;
            worst.merge(f.where(), hours, Math::max);
        }
        return worst.values().stream().mapToDouble(h -> h).sum();
    }

    /** What is open now is not known to be open tomorrow. */
    private static Duration share(Span span, Finding f, Instant until) {
        return span.share(f.firstSeen(), f.end().map(Finding.End::at).or(() -> Optional.of(until)));
    }
}
