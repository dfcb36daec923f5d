package choir.server.reading;

import choir.server.db.Database;
import choir.server.fleet.FleetStore;
import choir.server.fleet.StoredRecorder;
import choir.server.web.Problem;
import choir.server.work.Work;
import choir.server.work.Works;
import java.net.URI;
import java.security.Principal;
import java.util.List;
import org.jspecify.annotations.Nullable;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.http.ResponseEntity;
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

    Readings(FleetStore fleet, Database database, Works works) {
        this.fleet = fleet;
        this.database = database;
        this.works = works;
    }

    @PostMapping("/api/v1/readings")
    ResponseEntity<Work> start(@RequestBody ReadingRequest given, Principal who) {
        var names = given.recorders() == null
                ? fleet.recorders().stream().map(StoredRecorder::name).toList()
                : given.recorders();
        names.forEach(fleet::recorder);
        if (names.isEmpty()) {
            throw new Problem(Problem.Kind.INVALID, "there is no recorder to read; add one with: choir recorder add");
        }
        long id = database.write(() -> works.add("reading", "", String.join(" ", names), who.getName()));
        works.submit(id);
        return ResponseEntity.accepted()
                .location(URI.create("/api/v1/works/" + id))
                .body(works.get(id));
    }

    @Configuration
    static class Running {
        @Bean
        Works.Runner readingRunner(FleetStore fleet, Devices devices) {
            return new Works.Runner() {
                @Override
                public String kind() {
                    return "reading";
                }

                @Override
                public String run(Work work, Works.Progress progress) {
                    var recorders = List.of(work.options().split(" ")).stream()
                            .map(fleet::recorder)
                            .toList();
                    progress.total(recorders.size());
                    var outcomes = devices.read(recorders, o -> progress.step(o instanceof Devices.Outcome.Failed));
                    var failed = outcomes.stream()
                            .filter(Devices.Outcome.Failed.class::isInstance)
                            .map(o -> o.recorder().name() + ": "
                                    + ((Devices.Outcome.Failed) o).why().getMessage())
                            .toList();
                    return failed.isEmpty()
                            ? "read " + recorders.size() + (recorders.size() == 1 ? " recorder" : " recorders")
                            : String.join("; ", failed);
                }
            };
        }
    }
}
