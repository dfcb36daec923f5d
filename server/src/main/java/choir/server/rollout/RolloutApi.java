package choir.server.rollout;

import choir.drift.Matter;
import choir.family.NativeText;
import choir.fleet.Node;
import choir.fleet.Selection;
import choir.policy.Catalogue;
import choir.policy.SettingKey;
import choir.rollout.Waves;
import choir.server.audit.Finding;
import choir.server.audit.FindingStore;
import choir.server.standing.Standings;
import choir.server.web.Problem;
import choir.server.work.Task;
import choir.server.work.WorkView;
import choir.server.work.Works;
import java.net.URI;
import java.security.Principal;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Set;
import java.util.TreeSet;
import org.jspecify.annotations.Nullable;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RestController;

/** Previews, rollouts, and giving out again what findings are about. */
@RestController
class RolloutApi {
    record PreviewRequest(@Nullable String select) {}

    /**
     * @param first how many cameras go first; 3 when not said
     * @param maxFailedPercent share of a wave that may fail before the next does not start; 0 when not said
     */
    record RolloutRequest(
            long preview, @Nullable Integer first, @Nullable Integer maxFailedPercent) {}

    record Reapply(List<Long> findings) {}

    record ChangeView(String key, String title, @Nullable String before, String after) {}

    record StepView(String camera, String label, int wave, String state, List<ChangeView> changes, String detail) {}

    record RolloutView(WorkView work, List<StepView> steps) {}

    private final Previews previews;
    private final RolloutStarts starts;
    private final StepStore steps;
    private final Standings standings;
    private final FindingStore findings;
    private final Works works;

    RolloutApi(
            Previews previews,
            RolloutStarts starts,
            StepStore steps,
            Standings standings,
            FindingStore findings,
            Works works) {
        this.previews = previews;
        this.starts = starts;
        this.steps = steps;
        this.standings = standings;
        this.findings = findings;
        this.works = works;
    }

    @PostMapping("/api/v1/previews")
    Preview preview(@RequestBody PreviewRequest given, Principal who) {
        var select = given.select() == null ? "" : given.select();
        return previews.make(
                select,
                standings.someOf(select).stream()
                        .map(s -> new Previews.Scope(s, Set.of()))
                        .toList(),
                who.getName());
    }

    @PostMapping("/api/v1/rollouts")
    ResponseEntity<WorkView> start(@RequestBody RolloutRequest given, Principal who) {
        var careful = Waves.CAREFUL;
        var waves = new Waves(
                given.first() == null ? careful.first() : given.first(),
                given.maxFailedPercent() == null ? careful.maxFailedPercent() : given.maxFailedPercent());
        return accepted(starts.fromPreview(given.preview(), waves, who.getName()));
    }

    @PostMapping("/api/v1/rollouts/{id}/undo")
    ResponseEntity<WorkView> undo(@PathVariable long id, Principal who) {
        return accepted(starts.undo(id, Waves.CAREFUL, who.getName()));
    }

    @GetMapping("/api/v1/rollouts")
    List<WorkView> rollouts() {
        return works.list(Task.Kind.ROLLOUT, 100).stream().map(WorkView::of).toList();
    }

    @GetMapping("/api/v1/rollouts/{id}")
    RolloutView rollout(@PathVariable long id) {
        var work = works.get(id);
        if (work.task().kind() != Task.Kind.ROLLOUT) {
            throw new Problem(Problem.Kind.NOT_FOUND, "there is no rollout " + id);
        }
        return new RolloutView(
                WorkView.of(work), steps.of(id).stream().map(RolloutApi::view).toList());
    }

    private static StepView view(Step step) {
        var changes = step.changes().entrySet().stream()
                .map(e -> new ChangeView(
                        e.getKey().text(),
                        Catalogue.get(e.getKey()).title(),
                        e.getValue().before().map(NativeText::of).orElse(null),
                        NativeText.of(e.getValue().after())))
                .toList();
        return new StepView(
                step.camera().text(),
                step.label(),
                step.wave(),
                step.state().name().toLowerCase(Locale.ROOT),
                changes,
                step.detail());
    }

    /** Gives out again just the settings that the findings are about, all at once. */
    @PostMapping("/api/v1/findings/reapply")
    ResponseEntity<WorkView> reapply(@RequestBody Reapply given, Principal who) {
        if (given.findings().isEmpty()) {
            throw new Problem(Problem.Kind.INVALID, "no finding was named");
        }
        Map<Node.Camera, Set<SettingKey>> keys = new LinkedHashMap<>();
        for (long id : given.findings()) {
            var finding = reappliable(id);
            keys.computeIfAbsent(finding.camera().orElseThrow(), c -> new TreeSet<>())
                    .add(finding.matter().setting().orElseThrow());
        }
        var select = Selection.of(List.copyOf(keys.keySet()));
        var scopes = keys.entrySet().stream()
                .map(e -> new Previews.Scope(standings.of(e.getKey()), e.getValue()))
                .toList();
        var preview = previews.make(select, scopes, who.getName());
        if (preview.cameras().isEmpty() && !preview.unread().isEmpty()) {
            throw new Problem(Problem.Kind.RECORDER, preview.unread().getFirst().why());
        }
        return accepted(starts.fromPreview(preview.id(), new Waves(scopes.size(), 100), who.getName()));
    }

    private Finding reappliable(long id) {
        var finding = findings.get(id);
        if (!finding.matter().acts().contains(Matter.Act.REAPPLY)) {
            throw new Problem(
                    Problem.Kind.INVALID,
                    "finding " + id + " is not about a value that can be given out: " + finding.sentence());
        }
        finding.end().ifPresent(end -> {
            throw new Problem(Problem.Kind.CONFLICT, "finding " + id + " has ended: " + end.by());
        });
        return finding;
    }

    private ResponseEntity<WorkView> accepted(long id) {
        return ResponseEntity.accepted()
                .location(URI.create("/api/v1/works/" + id))
                .body(WorkView.of(works.get(id)));
    }
}
