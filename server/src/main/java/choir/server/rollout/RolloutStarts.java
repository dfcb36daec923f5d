package choir.server.rollout;

import choir.family.Family;
import choir.family.NativeValue;
import choir.policy.SettingKey;
import choir.rollout.Change;
import choir.rollout.StepState;
import choir.rollout.Waves;
import choir.server.db.Database;
import choir.server.family.KnownFamilies;
import choir.server.fleet.FleetStore;
import choir.server.fleet.StoredCamera;
import choir.server.fleet.StoredRecorder;
import choir.server.journal.Journal;
import choir.server.web.Problem;
import choir.server.work.Task;
import choir.server.work.Works;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.TreeMap;
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

    RolloutStarts(
            Works works,
            StepStore steps,
            FleetStore fleet,
            KnownFamilies families,
            Journal journal,
            Database database) {
        this.works = works;
        this.steps = steps;
        this.fleet = fleet;
        this.families = families;
        this.journal = journal;
        this.database = database;
    }

    long fromPreview(long preview, Waves waves, String who) {
        var selection = database.query("SELECT selection FROM preview WHERE id = :id")
                .param("id", preview)
                .query(String.class)
                .optional()
                .orElseThrow(() -> new Problem(Problem.Kind.NOT_FOUND, "there is no preview " + preview));
        var changes = steps.previewed(preview);
        if (changes.values().stream().anyMatch(Map::isEmpty)) {
            throw new Problem(
                    Problem.Kind.CONFLICT, "preview " + preview + " cannot be understood any more; preview again");
        }
        return start(changes, new Task.Rollout(selection, waves, false), who);
    }

    /** Puts back what was there before each verified step. */
    long undo(long rollout, Waves waves, String who) {
        var work = works.get(rollout);
        if (work.task().kind() != Task.Kind.ROLLOUT || !work.hasEnded()) {
            throw new Problem(Problem.Kind.CONFLICT, "rollout " + rollout + " has not ended");
        }
        Map<Long, Map<SettingKey, Change>> back = new LinkedHashMap<>();
        for (var step : steps.of(rollout)) {
            var changes = reversed(step.changes());
            if (step.state() == StepState.VERIFIED && !changes.isEmpty()) {
                step.cameraId().ifPresent(camera -> back.put(camera, changes));
            }
        }
        return start(back, new Task.Rollout(work.task().selection(), waves, true), who);
    }

    private static Map<SettingKey, Change> reversed(Map<SettingKey, Change> changes) {
        Map<SettingKey, Change> back = new TreeMap<>();
        changes.forEach((key, change) -> change.before()
                .ifPresent((NativeValue before) -> back.put(key, new Change(Optional.of(change.after()), before))));
        return back;
    }

    private long start(Map<Long, Map<SettingKey, Change>> changes, Task.Rollout task, String who) {
        if (changes.isEmpty()) {
            throw new Problem(Problem.Kind.CONFLICT, "there is nothing to change");
        }
        long id = database.write(() -> {
            long work = works.add(task, who);
            int wave = 1;
            for (var units : task.waves().of(units(changes))) {
                for (var unit : units) {
                    for (var planned : unit) {
                        steps.add(work, wave, planned.camera(), planned.changes());
                    }
                }
                wave++;
            }
            journal.add(
                    who,
                    task.undo() ? "started an undo" : "started a rollout",
                    "rollout " + work,
                    changes.size() + " cameras");
            return work;
        });
        works.submit(id);
        return id;
    }

    /** Where a write stops all channels, a recorder's cameras go together, so that they stop once. */
    private List<List<Planned>> units(Map<Long, Map<SettingKey, Change>> changes) {
        Map<String, StoredRecorder> recorders = new HashMap<>();
        fleet.recorders().forEach(r -> recorders.put(r.name(), r));
        Map<String, List<Planned>> units = new LinkedHashMap<>();
        for (var camera : fleet.cameras()) {
            var change = changes.get(camera.id());
            if (change == null) {
                continue;
            }
            var recorder = camera.camera().recorder().text();
            var pause = families.named(recorders.get(recorder).family()).map(Family::pause);
            var unit = pause.equals(Optional.of(Family.Pause.ALL_CHANNELS))
                    ? recorder
                    : camera.camera().text();
            units.computeIfAbsent(unit, u -> new ArrayList<>()).add(new Planned(camera, change));
        }
        return List.copyOf(units.values());
    }
}
