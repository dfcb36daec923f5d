package choir.server.rollout;

import choir.family.Family;
import choir.fleet.Node;
import choir.policy.SettingKey;
import choir.rollout.Change;
import choir.rollout.Undo;
import choir.server.ServiceSettings;
import choir.server.db.Database;
import choir.server.family.KnownFamilies;
import choir.server.fleet.FleetStore;
import choir.server.fleet.StoredCamera;
import choir.server.journal.Journal;
import choir.server.reach.Reach;
import choir.server.web.Problem;
import choir.server.work.Task;
import choir.server.work.Works;
import java.util.ArrayList;
import java.util.Collection;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.function.LongConsumer;
import java.util.function.Predicate;
import org.springframework.stereotype.Component;

/** Makes the row and the planned steps of a rollout, in one transaction, and sets it going. */
@Component
class RolloutStarts {
    private record Planned(StoredCamera camera, Map<SettingKey, Change> changes) {}

    private final Works works;
    private final StepStore steps;
    private final FleetStore fleet;
    private final KnownFamilies families;
    private final Journal journal;
    private final Database database;
    private final int secondPersonFrom;

    RolloutStarts(
            Works works,
            StepStore steps,
            FleetStore fleet,
            KnownFamilies families,
            Journal journal,
            Database database,
            ServiceSettings settings) {
        this.secondPersonFrom = settings.secondPersonFrom();
        this.works = works;
        this.steps = steps;
        this.fleet = fleet;
        this.families = families;
        this.journal = journal;
        this.database = database;
    }

    /**
     * A preview is given out once, so that nothing is written twice by mistake.
     *
     * @param confirmed names of the wanted moments that may be lost
     */
    long fromPreview(long preview, Terms terms, Collection<String> confirmed, String who) {
        var selection = database.query("SELECT selection FROM preview WHERE id = :id")
                .param("id", preview)
                .query(String.class)
                .optional()
                .orElseThrow(() -> new Problem(Problem.Kind.NOT_FOUND, "there is no preview " + preview));
        var changes = steps.previewed(preview);
        confirm(preview, confirmed);
        if (changes.values().stream().anyMatch(Map::isEmpty)) {
            throw new Problem(
                    Problem.Kind.CONFLICT, "preview " + preview + " cannot be understood any more; preview again");
        }
        var planned = planned(changes);
        boolean ask = terms.secondPerson() || isMany(planned.size());
        return start(planned, List.of(), terms.task(selection, false), ask, who, rollout -> {
            int taken = database.change("UPDATE preview SET rollout = :rollout WHERE id = :id AND rollout IS NULL")
                    .param("rollout", rollout)
                    .param("id", preview)
                    .update();
            if (taken == 0) {
                throw new Problem(
                        Problem.Kind.CONFLICT,
                        "preview " + preview + " was given out already, as rollout " + givenOutAs(preview)
                                + "; preview again");
            }
        });
    }

    private void confirm(long preview, Collection<String> confirmed) {
        var unnamed = database
                .query("SELECT name FROM preview_lost WHERE preview = :id ORDER BY name")
                .param("id", preview)
                .query(String.class)
                .list()
                .stream()
                .filter(name -> !confirmed.contains(name))
                .toList();
        if (!unnamed.isEmpty()) {
            throw new Problem(
                    Problem.Kind.CONFLICT,
                    "it would miss what is marked as wanted: " + String.join("; ", unnamed)
                            + "; give it out only by naming each of these");
        }
    }

    private long givenOutAs(long preview) {
        return database.query("SELECT rollout FROM preview WHERE id = :id")
                .param("id", preview)
                .query(Long.class)
                .single();
    }

    /** A step that is not put back, and why. */
    private record LeftOut(Planned planned, String why) {}

    /**
     * Puts back what was there before, as far as the rollout is known to have changed it or may have.
     *
     * @param of the cameras of which alone it is wanted; empty for all
     */
    long undo(long rollout, Predicate<Node.Camera> of, Terms terms, String who) {
        var work = works.get(rollout);
        if (work.task().kind() != Task.Kind.ROLLOUT || !work.hasEnded()) {
            throw new Problem(Problem.Kind.CONFLICT, "rollout " + rollout + " has not ended");
        }
        Map<Long, Map<SettingKey, Change>> back = new LinkedHashMap<>();
        for (var step : steps.of(rollout)) {
            var changes = Undo.of(step.changes(), step.state(), step.known().results());
            if (!changes.isEmpty()) {
                step.cameraId().ifPresent(camera -> back.put(camera, changes));
            }
        }
        List<Planned> planned = new ArrayList<>();
        List<LeftOut> leftOut = new ArrayList<>();
        for (var one : planned(back)) {
            // By where it hangs now; a step says where it did.
            if (!of.test(one.camera().camera())) {
                continue;
            }
            writtenOver(one, rollout)
                    .ifPresentOrElse(
                            later -> leftOut.add(
                                    new LeftOut(one, "rollout " + later + " wrote it after; undo that one first")),
                            () -> planned.add(one));
        }
        if (planned.isEmpty() && !leftOut.isEmpty()) {
            throw new Problem(Problem.Kind.CONFLICT, leftOut.getFirst().why());
        }
        return start(
                planned, leftOut, terms.task(work.task().selection(), true), terms.secondPerson(), who, undoing -> {});
    }

    /** A later rollout, other than an undo, that wrote the same settings last, or is about to. */
    private Optional<Long> writtenOver(Planned planned, long rollout) {
        return steps.laterAt(planned.camera().id(), rollout).entrySet().stream()
                .filter(e -> e.getValue().changes().keySet().stream().anyMatch(planned.changes()::containsKey))
                .findFirst()
                .map(Map.Entry::getKey)
                .filter(later -> !(works.get(later).task() instanceof Task.Rollout r && r.undo()));
    }

    /** Whether the service demands a second person for so many; what is put back needs none, since that is often urgent. */
    private boolean isMany(int cameras) {
        return secondPersonFrom > 0 && cameras >= secondPersonFrom;
    }

    private long start(
            List<Planned> changes,
            List<LeftOut> leftOut,
            Task.Rollout task,
            boolean ask,
            String who,
            LongConsumer also) {
        if (changes.isEmpty()) {
            throw new Problem(Problem.Kind.CONFLICT, "there is nothing to change");
        }
        var reach = Reach.current();
        changes.stream()
                .filter(p -> !reach.contains(p.camera().group()))
                .findFirst()
                .ifPresent(p -> {
                    throw new Problem(
                            Problem.Kind.NOT_ALLOWED,
                            "it changes cameras outside " + reach + ", where what you may do here counts");
                });
        var waves = task.waves().of(units(changes));
        long id = database.write(() -> {
            long work = ask ? works.ask(task, who) : works.add(task, who);
            also.accept(work);
            int wave = 1;
            for (var units : waves) {
                for (var unit : units) {
                    for (var planned : unit) {
                        steps.add(work, wave, planned.camera(), planned.changes());
                    }
                }
                wave++;
            }
            // They come with the last wave, so that they do not speak for the first.
            for (var left : leftOut) {
                steps.addSkipped(
                        work, wave, left.planned().camera(), left.planned().changes(), left.why());
            }
            journal.add(
                    who,
                    (ask ? "asked for " : "started ") + (task.undo() ? "an undo" : "a rollout"),
                    "rollout " + work,
                    changes.size() + (changes.size() == 1 ? " camera" : " cameras"));
            return work;
        });
        if (!ask) {
            works.submit(id);
        }
        return id;
    }

    /** In the order of recorder and channel. */
    private List<Planned> planned(Map<Long, Map<SettingKey, Change>> changes) {
        return fleet.cameras(changes.keySet()).stream()
                .map(c -> new Planned(c, changes.get(c.id())))
                .toList();
    }

    /** Where a write stops all channels, a recorder's cameras go together, so that they stop once. */
    private List<List<Planned>> units(List<Planned> changes) {
        Map<String, Boolean> together = new HashMap<>();
        Map<String, List<Planned>> units = new LinkedHashMap<>();
        for (var planned : changes) {
            var camera = planned.camera().camera();
            var recorder = camera.recorder().text();
            var unit = together.computeIfAbsent(recorder, this::pausesAll) ? recorder : camera.text();
            units.computeIfAbsent(unit, u -> new ArrayList<>()).add(planned);
        }
        return List.copyOf(units.values());
    }

    private boolean pausesAll(String recorder) {
        return fleet.find(recorder)
                .flatMap(r -> families.named(r.family()))
                .filter(f -> f.pause() == Family.Pause.ALL_CHANNELS)
                .isPresent();
    }
}
