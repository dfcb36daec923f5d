package choir.server.rollout;

import choir.drift.Matter;
import choir.fleet.Node;
import choir.fleet.Selection;
import choir.policy.SettingKey;
import choir.rollout.Hours;
import choir.rollout.Waves;
import choir.server.audit.ChosenFindings;
import choir.server.audit.Finding;
import choir.server.audit.FindingStore;
import choir.server.journal.Journal;
import choir.server.reach.Reach;
import choir.server.standing.Standings;
import choir.server.web.Problem;
import choir.server.work.Task;
import choir.server.work.Work;
import choir.server.work.WorkView;
import choir.server.work.Works;
import java.net.URI;
import java.security.Principal;
import java.time.Duration;
import java.time.format.DateTimeParseException;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import java.util.TreeSet;
import java.util.function.Predicate;
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
     * @param waves the waves before the rest, as numbers of cameras or shares of them, such as {@code 3} and {@code 25%};
     *     3 when not said
     * @param maxFailedPercent share of a wave that may fail before the next does not start; 0 when not said
     * @param patience how long recorders that are away are tried again, such as {@code PT2H}; ten minutes when not said
     * @param hours in which recorders may be written, in the zone of each, such as {@code 22:00-05:00}
     * @param secondPerson somebody else than who asks lets it go
     * @param mayMiss names of the wanted moments that may be lost, each as the preview names it
     */
    record RolloutRequest(
            long preview,
            @Nullable List<String> waves,
            @Nullable Integer maxFailedPercent,
            @Nullable String patience,
            @Nullable String hours,
            @Nullable Boolean secondPerson,
            @Nullable List<String> mayMiss) {
        Terms terms() {
            return RolloutApi.terms(waves, maxFailedPercent, patience, hours, secondPerson);
        }
    }

    /**
     * The rest as in {@link RolloutRequest}.
     *
     * @param select the cameras of which alone it is wanted; all of the rollout when not said
     */
    record UndoRequest(
            @Nullable String select,
            @Nullable List<String> waves,
            @Nullable Integer maxFailedPercent,
            @Nullable String patience,
            @Nullable String hours,
            @Nullable Boolean secondPerson) {
        static final UndoRequest ALL = new UndoRequest(null, null, null, null, null, null);

        Terms terms() {
            return RolloutApi.terms(waves, maxFailedPercent, patience, hours, secondPerson);
        }
    }

    /** @param mayMiss as in {@link RolloutRequest} */
    record Reapply(List<Long> findings, @Nullable List<String> mayMiss) {}

    /**
     * @param counts how many steps are in each state
     * @param folds the steps again, equal ones once: what somebody has to look at first, then those of most cameras
     */
    record RolloutView(WorkView work, Map<String, Integer> counts, List<StepFold> folds, List<StepView> steps) {}

    private final Previews previews;
    private final RolloutStarts starts;
    private final StepStore steps;
    private final Standings standings;
    private final FindingStore findings;
    private final ChosenFindings chosen;
    private final Works works;
    private final SeenRollouts seen;
    private final Journal journal;

    RolloutApi(
            Previews previews,
            RolloutStarts starts,
            StepStore steps,
            Standings standings,
            FindingStore findings,
            ChosenFindings chosen,
            Works works,
            SeenRollouts seen,
            Journal journal) {
        this.chosen = chosen;
        this.seen = seen;
        this.journal = journal;
        this.previews = previews;
        this.starts = starts;
        this.steps = steps;
        this.standings = standings;
        this.findings = findings;
        this.works = works;
    }

    @PostMapping("/api/v1/previews")
    Preview preview(@RequestBody PreviewRequest given, Principal who) {
        var select = Reach.current().narrow(given.select() == null ? "" : given.select());
        return previews.make(
                select,
                standings.someOf(select).stream()
                        .map(s -> new Previews.Scope(s, Set.of()))
                        .toList(),
                who.getName());
    }

    @PostMapping("/api/v1/rollouts")
    ResponseEntity<WorkView> start(@RequestBody RolloutRequest given, Principal who) {
        return accepted(starts.fromPreview(
                given.preview(), given.terms(), given.mayMiss() == null ? List.of() : given.mayMiss(), who.getName()));
    }

    private static Terms terms(
            @Nullable List<String> waves,
            @Nullable Integer maxFailedPercent,
            @Nullable String patience,
            @Nullable String hours,
            @Nullable Boolean secondPerson) {
        return new Terms(
                new Waves(
                        waves == null
                                ? Waves.CAREFUL.before()
                                : waves.stream().map(Waves.Part::parse).toList(),
                        maxFailedPercent == null ? Waves.CAREFUL.maxFailedPercent() : maxFailedPercent),
                patience == null ? Task.Rollout.USUAL_PATIENCE : duration(patience),
                Optional.ofNullable(hours).filter(h -> !h.isBlank()).map(Hours::parse),
                Boolean.TRUE.equals(secondPerson));
    }

    private static Duration duration(String text) {
        try {
            return Duration.parse(text);
        } catch (DateTimeParseException e) {
            throw new Problem(Problem.Kind.INVALID, "\"" + text + "\" is no time; expected a form like PT30M or PT2H");
        }
    }

    @PostMapping("/api/v1/rollouts/{id}/undo")
    ResponseEntity<WorkView> undo(
            @PathVariable long id, @RequestBody(required = false) @Nullable UndoRequest asked, Principal who) {
        var given = asked == null ? UndoRequest.ALL : asked;
        require(id);
        return accepted(starts.undo(id, chosen(given.select()), given.terms(), who.getName()));
    }

    private Predicate<Node.Camera> chosen(@Nullable String select) {
        if (select == null || select.isBlank()) {
            return camera -> true;
        }
        Set<Node.Camera> cameras = new HashSet<>();
        standings.someOf(select).forEach(s -> cameras.add(s.camera()));
        return cameras::contains;
    }

    @GetMapping("/api/v1/rollouts")
    List<WorkView> rollouts() {
        return works.list(Task.Kind.ROLLOUT, 100).stream()
                .filter(seen::isSeen)
                .map(WorkView::of)
                .toList();
    }

    @GetMapping("/api/v1/rollouts/{id}")
    RolloutView rollout(@PathVariable long id) {
        var work = WorkView.of(require(id));
        var all = steps.of(id).stream().map(StepView::of).toList();
        return new RolloutView(work, counts(id), StepFold.of(all), all);
    }

    private Work require(long id) {
        var work = works.get(id);
        if (work.task().kind() != Task.Kind.ROLLOUT) {
            throw new Problem(Problem.Kind.NOT_FOUND, "there is no rollout " + id);
        }
        seen.see(work);
        return work;
    }

    /** What is being written is settled first. */
    @PostMapping("/api/v1/rollouts/{id}/pause")
    ResponseEntity<WorkView> pause(@PathVariable long id, Principal who) {
        works.pause(require(id).id(), who.getName());
        journal.add(who.getName(), "paused a rollout", "rollout " + id, "");
        return accepted(id);
    }

    @PostMapping("/api/v1/rollouts/{id}/resume")
    ResponseEntity<WorkView> resume(@PathVariable long id, Principal who) {
        works.resume(require(id).id(), who.getName());
        journal.add(who.getName(), "took a rollout up again", "rollout " + id, "");
        return accepted(id);
    }

    /** Somebody else than who asked for it lets it go. */
    @PostMapping("/api/v1/rollouts/{id}/approve")
    ResponseEntity<WorkView> approve(@PathVariable long id, Principal who) {
        works.approve(require(id).id(), who.getName());
        journal.add(who.getName(), "let a rollout go", "rollout " + id, "");
        return accepted(id);
    }

    /** How many steps are in each state, for whoever wants no more. */
    @GetMapping("/api/v1/rollouts/{id}/counts")
    Map<String, Integer> counts(@PathVariable long id) {
        require(id);
        Map<String, Integer> counts = new TreeMap<>();
        steps.counts(id, Optional.empty())
                .forEach((state, count) -> counts.put(state.name().toLowerCase(Locale.ROOT), count));
        return counts;
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
        if (preview.cameras().isEmpty() && !preview.leftAlone().isEmpty()) {
            throw new Problem(Problem.Kind.CONFLICT, preview.leftAlone().getFirst());
        }
        if (preview.cameras().isEmpty() && !preview.unread().isEmpty()) {
            throw new Problem(Problem.Kind.RECORDER, preview.unread().getFirst().why());
        }
        return accepted(starts.fromPreview(
                preview.id(),
                Terms.together(scopes.size()),
                given.mayMiss() == null ? List.of() : given.mayMiss(),
                who.getName()));
    }

    private Finding reappliable(long id) {
        var finding = findings.get(id);
        chosen.see(List.of(finding));
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
