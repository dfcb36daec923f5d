package choir.server.reading;

import choir.server.db.Database;
import choir.server.fleet.FleetStore;
import choir.server.reach.Keeper;
import choir.server.reach.Reach;
import choir.server.web.Problem;
import choir.server.work.Task;
import choir.server.work.Work;
import choir.server.work.WorkView;
import choir.server.work.Works;
import java.net.URI;
import java.security.Principal;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.springframework.http.ResponseEntity;
import org.springframework.stereotype.Component;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RestController;

/** Reading what recorders hold now, on demand. */
@RestController
class Readings {
    record ReadingRequest(@Nullable List<String> recorders) {}

    private final FleetStore fleet;
    private final Database database;
    private final Works works;
    private final Sweeps sweeps;
    private final Keeper keeper;

    Readings(FleetStore fleet, Database database, Works works, Sweeps sweeps, Keeper keeper) {
        this.keeper = keeper;
        this.fleet = fleet;
        this.database = database;
        this.works = works;
        this.sweeps = sweeps;
    }

    @PostMapping("/api/v1/readings")
    ResponseEntity<WorkView> start(@RequestBody ReadingRequest given, Principal who) {
        long id = database.write(() -> {
            var names = given.recorders() == null
                    ? fleet.recorderNames().stream().filter(keeper::sees).toList()
                    : given.recorders().stream().distinct().toList();
            names.forEach(keeper::see);
            names.forEach(fleet::recorder);
            if (names.isEmpty()) {
                throw new Problem(
                        Problem.Kind.INVALID, "there is no recorder to read; add one with: choir recorder add");
            }
            boolean isAll = given.recorders() == null && Reach.current().isEverywhere();
            long work = works.add(new Task.Reading(isAll ? List.of() : names), who.getName());
            sweeps.plan(work, names);
            return work;
        });
        works.submit(id);
        return ResponseEntity.accepted()
                .location(URI.create("/api/v1/works/" + id))
                .body(WorkView.of(works.get(id)));
    }

    @Component
    static class ReadingRunner implements Works.Runner {
        private final Sweeps sweeps;

        ReadingRunner(Sweeps sweeps) {
            this.sweeps = sweeps;
        }

        @Override
        public Task.Kind kind() {
            return Task.Kind.READING;
        }

        @Override
        public Works.Ended run(Work work, Works.Progress progress) {
            sweeps.run(work, progress, (recorder, outcome) -> {});
            var failures = sweeps.failures(work);
            int recorders = sweeps.size(work);
            return sweeps.ended(
                    work,
                    failures.isEmpty()
                            ? "read " + recorders + (recorders == 1 ? " recorder" : " recorders")
                            : String.join("; ", failures));
        }
    }
}
