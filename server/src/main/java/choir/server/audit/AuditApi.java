package choir.server.audit;

import choir.fleet.Node;
import choir.fleet.Selection;
import choir.server.db.Database;
import choir.server.reading.Sweeps;
import choir.server.standing.Standings;
import choir.server.web.Page;
import choir.server.web.Problem;
import choir.server.work.Task;
import choir.server.work.WorkView;
import choir.server.work.Works;
import java.net.URI;
import java.security.Principal;
import java.util.HashSet;
import java.util.List;
import java.util.Set;
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
    record AuditRequest(@Nullable String select) {}

    private final Works works;
    private final Sweeps sweeps;
    private final FindingStore findings;
    private final Standings standings;
    private final Database database;

    AuditApi(Works works, Sweeps sweeps, FindingStore findings, Standings standings, Database database) {
        this.works = works;
        this.sweeps = sweeps;
        this.findings = findings;
        this.standings = standings;
        this.database = database;
    }

    /** Which recorders are meant is decided now; what their cameras hold is compared when each was read. */
    @PostMapping("/api/v1/audits")
    ResponseEntity<WorkView> start(@RequestBody AuditRequest given, Principal who) {
        var select = given.select() == null ? "" : given.select();
        var recorders = standings.recordersOf(select);
        long id = database.write(() -> {
            long work = works.add(new Task.Audit(select), who.getName());
            sweeps.plan(work, recorders);
            return work;
        });
        works.submit(id);
        return ResponseEntity.accepted()
                .location(URI.create("/api/v1/works/" + id))
                .body(WorkView.of(works.get(id)));
    }

    @GetMapping("/api/v1/audits")
    List<WorkView> audits() {
        return works.list(Task.Kind.AUDIT, 100).stream().map(WorkView::of).toList();
    }

    /** Open findings, worst first; those of whole recorders too when one of their cameras is selected. */
    @GetMapping("/api/v1/findings")
    Page<FindingView> open(
            @RequestParam(defaultValue = "") String select,
            @RequestParam(required = false) @Nullable String after,
            @RequestParam(defaultValue = "100") int limit) {
        var all = findings.open();
        if (!select.isBlank()) {
            Set<Node.Camera> cameras = new HashSet<>();
            Set<String> recorders = new HashSet<>();
            for (var s : standings.select(Selection.parse(select))) {
                cameras.add(s.camera());
                recorders.add(s.recorder().name());
            }
            all = all.stream()
                    .filter(f -> f.camera().map(cameras::contains).orElseGet(() -> recorders.contains(f.recorder())))
                    .toList();
        }
        int from = after == null ? 0 : placeAfter(all, after);
        int to = Math.min(all.size(), from + Page.checked(limit));
        var part = all.subList(from, to);
        return new Page<>(
                part.stream().map(FindingView::of).toList(),
                to < all.size() ? Cursor.of(part.getLast()).text() : null,
                all.size());
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
        return FindingView.of(findings.get(id));
    }

    /** Open and ended findings of one camera, the newest first. */
    @GetMapping("/api/v1/cameras/{recorder}/{channel}/findings")
    List<FindingView> ofCamera(@PathVariable String recorder, @PathVariable String channel) {
        var standing = standings.of(Node.Camera.ofSegments(recorder, channel));
        return findings.of(standing.row().id()).stream().map(FindingView::of).toList();
    }
}
