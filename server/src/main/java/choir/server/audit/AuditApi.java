package choir.server.audit;

import choir.fleet.Node;
import choir.server.db.Database;
import choir.server.reach.Reach;
import choir.server.standing.Standings;
import choir.server.web.Page;
import choir.server.web.Problem;
import choir.server.work.Task;
import choir.server.work.Work;
import choir.server.work.WorkHistory;
import choir.server.work.WorkView;
import choir.server.work.Works;
import java.net.URI;
import java.security.Principal;
import java.time.Clock;
import java.time.Instant;
import java.time.LocalDate;
import java.util.Comparator;
import java.util.List;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestParam;
import org.springframework.web.bind.annotation.RestController;

/** Audits and what they found. */
@RestController
class AuditApi {
    private static final int LONGEST_TREND = 400;

    record AuditRequest(@Nullable String select) {}

    /**
     * @param name what the findings share; empty when it is nothing
     * @param cameras how many different ones
     */
    record GroupView(
            String name, int findings, int cameras, int high, int medium, int low, String worst, String oldest) {
        static GroupView of(FindingGroups.Tally t) {
            return new GroupView(
                    t.name(),
                    t.findings(),
                    t.cameras(),
                    t.high(),
                    t.medium(),
                    t.low(),
                    t.worst().name(),
                    t.oldest().toString());
        }
    }

    /** @param high open at the end of the day, or now for today */
    record DayView(String date, int opened, int ended, int high, int medium, int low) {}

    private static final int LATELY = 100;

    private final Works works;
    private final WorkHistory history;
    private final AuditStarts starts;
    private final FindingStore findings;
    private final ChosenFindings chosen;
    private final Standings standings;
    private final Database database;
    private final Clock clock;

    AuditApi(
            Works works,
            WorkHistory history,
            AuditStarts starts,
            FindingStore findings,
            ChosenFindings chosen,
            Standings standings,
            Database database,
            Clock clock) {
        this.works = works;
        this.history = history;
        this.starts = starts;
        this.findings = findings;
        this.chosen = chosen;
        this.standings = standings;
        this.database = database;
        this.clock = clock;
    }

    @PostMapping("/api/v1/audits")
    ResponseEntity<WorkView> start(@RequestBody AuditRequest given, Principal who) {
        var select = Reach.current().narrow(given.select() == null ? "" : given.select());
        long id = database.write(() -> starts.add(select, who.getName()));
        works.submit(id);
        return ResponseEntity.accepted()
                .location(URI.create("/api/v1/works/" + id))
                .body(WorkView.of(works.get(id)));
    }

    @GetMapping("/api/v1/audits")
    List<WorkView> audits(Principal who) {
        return works.list(Task.Kind.AUDIT, LATELY).stream()
                .filter(w -> Reach.current().isEverywhere() || w.who().equals(who.getName()))
                .map(WorkView::of)
                .toList();
    }

    /** @param at when all that they may see was audited last, by anybody; missing when it never was */
    record LastAuditView(@Nullable String at) {}

    @GetMapping("/api/v1/audits/last")
    LastAuditView last() {
        var ofTheirs = Reach.current().narrow("");
        var ended = Stream.concat(
                history.lastDoneOfAll(Task.Kind.AUDIT).stream(),
                works.list(Task.Kind.AUDIT, LATELY).stream()
                        .filter(w -> w.task().selection().equals(ofTheirs))
                        .filter(w -> w.state() == Work.State.DONE || w.state() == Work.State.PARTLY)
                        .flatMap(w -> w.endedAt().stream()));
        return new LastAuditView(
                ended.max(Comparator.naturalOrder()).map(Instant::toString).orElse(null));
    }

    /**
     * Findings, worst first; those of whole recorders too when one of their cameras is selected.
     *
     * @param state {@code open}, or {@code accepted} for those that a person left as they are
     * @param severity at least that: {@code low}, {@code medium} or {@code high}
     * @param cause in the words of a finding's {@code cause}
     * @param setting its key
     * @param before first seen before that day
     * @param assigned to that person; empty for those that nobody sees to
     * @param by with {@code name}: those of one group, as {@code /findings/groups} has them
     */
    @GetMapping("/api/v1/findings")
    Page<FindingView> list(
            @RequestParam(defaultValue = "") String select,
            @RequestParam(defaultValue = "open") String state,
            @RequestParam(required = false) @Nullable String severity,
            @RequestParam(required = false) @Nullable String cause,
            @RequestParam(required = false) @Nullable String setting,
            @RequestParam(required = false) @Nullable String before,
            @RequestParam(required = false) @Nullable String assigned,
            @RequestParam(required = false) @Nullable String by,
            @RequestParam(defaultValue = "") String name,
            @RequestParam(required = false) @Nullable String after,
            @RequestParam(defaultValue = "100") int limit) {
        var words = new FindingFilter.Words(severity, cause, setting, before, assigned);
        var all = chosen(select, state, words.filter(clock.getZone()));
        if (by != null) {
            var shared = FindingGroups.By.of(by);
            all = all.stream().filter(f -> shared.name(f).equals(name)).toList();
        }
        int from = after == null ? 0 : placeAfter(all, after);
        int to = Math.min(all.size(), from + Page.checked(limit));
        var part = all.subList(from, to);
        return new Page<>(
                part.stream().map(FindingView::of).toList(),
                to < all.size() ? Cursor.of(part.getLast()).text() : null,
                all.size());
    }

    /**
     * Open findings that share something, the worst first.
     *
     * @param by {@code cause}, {@code recorder}, {@code group}, {@code setting} or {@code person}
     */
    @GetMapping("/api/v1/findings/groups")
    List<GroupView> groups(
            @RequestParam String by,
            @RequestParam(defaultValue = "") String select,
            @RequestParam(required = false) @Nullable String severity,
            @RequestParam(required = false) @Nullable String cause,
            @RequestParam(required = false) @Nullable String setting,
            @RequestParam(required = false) @Nullable String before,
            @RequestParam(required = false) @Nullable String assigned) {
        var words = new FindingFilter.Words(severity, cause, setting, before, assigned);
        return FindingGroups.of(chosen(select, "open", words.filter(clock.getZone())), FindingGroups.By.of(by)).stream()
                .map(GroupView::of)
                .toList();
    }

    /** How many findings there were on each of the last days, today included. */
    @GetMapping("/api/v1/findings/trend")
    List<DayView> trend(@RequestParam(defaultValue = "30") int days, @RequestParam(defaultValue = "") String select) {
        if (days < 1 || days > LONGEST_TREND) {
            throw new Problem(Problem.Kind.INVALID, "days is 1 to " + LONGEST_TREND + ", not " + days);
        }
        var zone = clock.getZone();
        var today = LocalDate.now(clock);
        var first = today.minusDays(days - 1L);
        var all = findings.within(
                first.atStartOfDay(zone).toInstant(),
                today.plusDays(1).atStartOfDay(zone).toInstant());
        return Trend.of(chosen.of(select, all), first, today, zone).stream()
                .map(d -> new DayView(d.date().toString(), d.opened(), d.ended(), d.high(), d.medium(), d.low()))
                .toList();
    }

    private List<Finding> chosen(String select, String state, FindingFilter filter) {
        var all = switch (state) {
            case "open" -> findings.open();
            case "accepted" ->
                findings.accepted().stream()
                        .sorted(Comparator.comparing(Cursor::of))
                        .toList();
            default ->
                throw new Problem(Problem.Kind.INVALID, "expected the state open or accepted, not \"" + state + "\"");
        };
        return filter.of(chosen.of(select, all));
    }

    /** The place of the first finding behind the cursor, whether the cursor's own is still there or not. */
    private static int placeAfter(List<Finding> all, String after) {
        var cursor = Cursor.parse(after)
                .orElseThrow(
                        () -> new Problem(Problem.Kind.INVALID, "the cursor \"" + after + "\" is not of this list"));
        int place = 0;
        while (place < all.size() && Cursor.of(all.get(place)).compareTo(cursor) <= 0) {
            place++;
        }
        return place;
    }

    @GetMapping("/api/v1/findings/{id}")
    FindingView finding(@PathVariable long id) {
        var finding = findings.get(id);
        chosen.see(List.of(finding));
        return FindingView.of(finding);
    }

    /** Open and ended findings of one camera, the newest first. */
    @GetMapping("/api/v1/cameras/{recorder}/{channel}/findings")
    List<FindingView> ofCamera(@PathVariable String recorder, @PathVariable String channel) {
        var standing = standings.of(Node.Camera.ofSegments(recorder, channel));
        return findings.of(standing.row().id()).stream().map(FindingView::of).toList();
    }
}
