package choir.server.fleet;

import choir.server.db.Database;
import choir.server.journal.Journal;
import choir.server.web.Dates;
import choir.server.web.Problem;
import java.security.Principal;
import java.time.Clock;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

/** Leaves a recorder out of audits and rollouts for a while. */
@RestController
class PauseApi {
    private static final int LONGEST_REASON = 500;

    /** @param until the last day of it */
    record PauseRequest(String until, String because) {}

    private final PauseStore pauses;
    private final FleetStore fleet;
    private final Journal journal;
    private final Database database;
    private final Clock clock;

    PauseApi(PauseStore pauses, FleetStore fleet, Journal journal, Database database, Clock clock) {
        this.pauses = pauses;
        this.fleet = fleet;
        this.journal = journal;
        this.database = database;
        this.clock = clock;
    }

    @PutMapping("/api/v1/recorders/{name}/pause")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void pause(@PathVariable String name, @RequestBody PauseRequest given, Principal who) {
        var until = Dates.parse(given.until());
        Dates.requireToCome(until, clock);
        var because = given.because().strip();
        if (because.isEmpty() || because.length() > LONGEST_REASON) {
            throw new Problem(
                    Problem.Kind.INVALID, "a pause needs a reason of at most " + LONGEST_REASON + " characters");
        }
        database.write(() -> {
            fleet.recorder(name);
            pauses.put(name, new PauseStore.Pause(until, because, who.getName()));
            journal.add(who.getName(), "paused a recorder", name, "until " + until + " because " + because);
        });
    }

    @DeleteMapping("/api/v1/recorders/{name}/pause")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void resume(@PathVariable String name, Principal who) {
        database.write(() -> {
            fleet.recorder(name);
            if (pauses.of(name).isEmpty()) {
                throw new Problem(Problem.Kind.CONFLICT, name + " is not paused");
            }
            pauses.remove(name);
            journal.add(who.getName(), "ended the pause of a recorder", name, "");
        });
    }
}
