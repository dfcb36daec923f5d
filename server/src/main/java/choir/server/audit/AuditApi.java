package choir.server.audit;

import choir.fleet.Node;
import choir.fleet.Selection;
import choir.server.db.Database;
import choir.server.standing.Standing;
import choir.server.standing.Standings;
import choir.server.web.Page;
import choir.server.work.Work;
import choir.server.work.Works;
import java.net.URI;
import java.security.Principal;
import java.util.List;
import java.util.Set;
import java.util.stream.Collectors;
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
    private final FindingStore findings;
    private final Standings standings;
    private final Database database;

    AuditApi(Works works, FindingStore findings, Standings standings, Database database) {
        this.works = works;
        this.findings = findings;
        this.standings = standings;
        this.database = database;
    }

    @PostMapping("/api/v1/audits")
    ResponseEntity<Work> start(@RequestBody AuditRequest given, Principal who) {
        var select = given.select() == null ? "" : given.select();
        standings.someOf(select);
        long id = database.write(() -> works.add(Audits.KIND, select, "", who.getName()));
        works.submit(id);
        return ResponseEntity.accepted()
                .location(URI.create("/api/v1/works/" + id))
                .body(works.get(id));
    }

    @GetMapping("/api/v1/audits")
    List<Work> audits() {
        return works.list(Audits.KIND, 100);
    }

    /** Open findings, worst first; those of whole recorders too when one of their cameras is selected. */
    @GetMapping("/api/v1/findings")
    Page<Finding> open(
            @RequestParam(defaultValue = "") String select,
            @RequestParam(required = false) @Nullable String after,
            @RequestParam(defaultValue = "100") int limit) {
        var all = findings.open();
        if (!select.isBlank()) {
            var chosen = standings.select(Selection.parse(select));
            Set<String> cameras =
                    chosen.stream().map(s -> s.camera().camera().text()).collect(Collectors.toSet());
            Set<String> recorders =
                    chosen.stream().map(s -> s.recorder().name()).collect(Collectors.toSet());
            all = all.stream()
                    .filter(f -> f.camera() == null ? recorders.contains(f.recorder()) : cameras.contains(f.camera()))
                    .toList();
        }
        return Page.of(all, after, limit, f -> Long.toString(f.id()));
    }

    @GetMapping("/api/v1/findings/{id}")
    Finding finding(@PathVariable long id) {
        return findings.get(id);
    }

    /** Open and ended findings of one camera, the newest first. */
    @GetMapping("/api/v1/cameras/{recorder}/{channel}/findings")
    List<Finding> ofCamera(@PathVariable String recorder, @PathVariable String channel) {
        Standing standing = standings.of(new Node.Camera(new choir.fleet.RecorderName(recorder), channel));
        return findings.of(standing.camera().id());
    }
}
