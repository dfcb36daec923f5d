package choir.server.reading;

import choir.server.db.Database;
import choir.server.fleet.DeviceStore;
import choir.server.fleet.FleetStore;
import choir.server.fleet.RecorderFollower;
import choir.server.journal.Journal;
import choir.server.link.AllowedAddresses;
import choir.server.web.Problem;
import choir.server.web.Versions;
import choir.server.work.Task;
import choir.server.work.WorkView;
import choir.server.work.Works;
import java.net.URI;
import java.security.Principal;
import java.util.List;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestHeader;
import org.springframework.web.bind.annotation.RestController;

/** A person says that another device takes a recorder's place: identity, policy and history of its cameras stay. */
@RestController
class Replacements {
    /** @param address where it is; missing when it is where the old one was */
    record Replacement(@Nullable String address) {}

    private final FleetStore fleet;
    private final DeviceStore devices;
    private final List<RecorderFollower> followers;
    private final AllowedAddresses allowed;
    private final Sweeps sweeps;
    private final Works works;
    private final Journal journal;
    private final Database database;

    Replacements(
            FleetStore fleet,
            DeviceStore devices,
            List<RecorderFollower> followers,
            AllowedAddresses allowed,
            Sweeps sweeps,
            Works works,
            Journal journal,
            Database database) {
        this.fleet = fleet;
        this.devices = devices;
        this.followers = followers;
        this.allowed = allowed;
        this.sweeps = sweeps;
        this.works = works;
        this.journal = journal;
        this.database = database;
    }

    /** Nothing that was verified at the old one counts any more; the new one is read at once. */
    @PostMapping("/api/v1/recorders/{name}/replacement")
    ResponseEntity<WorkView> replace(
            @PathVariable String name,
            @RequestBody Replacement given,
            @RequestHeader(name = "If-Match", required = false) @Nullable String ifMatch,
            Principal who) {
        var address = Optional.ofNullable(given.address()).map(Replacements::address);
        address.ifPresent(allowed::require);
        long id = database.write(() -> {
            var recorder = fleet.recorder(name);
            Versions.check(Optional.ofNullable(ifMatch), recorder.version(), "recorder " + name);
            if (recorder.address().isEmpty()) {
                throw new Problem(Problem.Kind.INVALID, name + " has no network interface by which it could be known");
            }
            address.ifPresent(to -> devices.requireFree(to, name));
            devices.replaced(name, address);
            followers.forEach(f -> f.recorderIsReplaced(name));
            journal.add(
                    who.getName(),
                    "said that another device takes the place of a recorder",
                    name,
                    "before it was serial number " + recorder.device().serial());
            long work = works.add(new Task.Reading(List.of(name)), who.getName());
            sweeps.plan(work, List.of(name));
            return work;
        });
        works.submit(id);
        return ResponseEntity.accepted()
                .location(URI.create("/api/v1/works/" + id))
                .body(WorkView.of(works.get(id)));
    }

    static URI address(String text) {
        try {
            return URI.create(text.strip());
        } catch (IllegalArgumentException e) {
            throw new Problem(Problem.Kind.INVALID, "\"" + text + "\" is not an address of a recorder");
        }
    }
}
