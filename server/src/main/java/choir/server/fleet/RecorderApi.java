package choir.server.fleet;

import choir.family.Families;
import choir.family.Family;
import choir.fleet.Node;
import choir.fleet.RecorderName;
import choir.link.RecorderAccess;
import choir.link.RecorderLink;
import choir.server.account.Secrets;
import choir.server.db.Database;
import choir.server.journal.Journal;
import choir.server.web.Problem;
import choir.server.web.Versions;
import java.net.URI;
import java.security.Principal;
import java.time.ZoneId;
import java.util.List;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import org.springframework.http.HttpStatus;
import org.springframework.http.ResponseEntity;
import org.springframework.web.bind.annotation.DeleteMapping;
import org.springframework.web.bind.annotation.GetMapping;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PostMapping;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestHeader;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

/** Recorders, and where one camera stands. */
@RestController
class RecorderApi {
    record NewRecorder(
            String name,
            String address,
            String user,
            String password,
            @Nullable String family,
            @Nullable String zone) {}

    record Credentials(String user, String password) {}

    record Placing(@Nullable String group, @Nullable List<String> tags) {}

    private final FleetStore fleet;
    private final Database database;
    private final Journal journal;
    private final Secrets secrets;
    private final Families families;
    private final RecorderLink link;
    private final Placings placings;

    RecorderApi(
            FleetStore fleet,
            Database database,
            Journal journal,
            Secrets secrets,
            Families families,
            RecorderLink link,
            Placings placings) {
        this.fleet = fleet;
        this.database = database;
        this.journal = journal;
        this.secrets = secrets;
        this.families = families;
        this.link = link;
        this.placings = placings;
    }

    @GetMapping("/api/v1/recorders")
    List<StoredRecorder> recorders() {
        return fleet.recorders();
    }

    @GetMapping("/api/v1/recorders/{name}")
    ResponseEntity<StoredRecorder> recorder(@PathVariable String name) {
        var recorder = fleet.recorder(name);
        return ResponseEntity.ok().eTag(Versions.tag(recorder.version())).body(recorder);
    }

    @PostMapping("/api/v1/recorders")
    @ResponseStatus(HttpStatus.CREATED)
    StoredRecorder add(@RequestBody NewRecorder given, Principal who) {
        var name = new RecorderName(given.name());
        var zone = ZoneId.of(given.zone() == null ? "UTC" : given.zone());
        // Checks the address before anything is stored.
        var access = new RecorderAccess(URI.create(given.address()), given.user(), given.password(), Optional.empty());
        var family = given.family() == null ? recognised(access) : family(given.family());
        database.write(() -> {
            if (fleet.recorders().stream().anyMatch(r -> r.name().equals(name.text()))) {
                throw new Problem(Problem.Kind.CONFLICT, "there is a recorder \"" + name + "\" already");
            }
            fleet.add(
                    name,
                    family.name(),
                    access.address().toString(),
                    given.user(),
                    secrets.encrypt(given.password()),
                    zone.getId());
            journal.add(
                    who.getName(),
                    "added a recorder",
                    name.text(),
                    access.address().toString());
        });
        return fleet.recorder(name.text());
    }

    private Family family(String name) {
        return families.named(name)
                .orElseThrow(() -> Problem.notFound(
                        "family",
                        name,
                        families.all().stream().map(Family::name).toList()));
    }

    /** Asks the recorder what it is. */
    private Family recognised(RecorderAccess access) {
        var device = link.read(access).device();
        return families.recognise(device.manufacturer(), device.model())
                .orElseThrow(() -> new Problem(
                        Problem.Kind.INVALID,
                        "the recorder is a " + device.manufacturer() + " " + device.model()
                                + ", of no family that is known; say which comes nearest"));
    }

    @PutMapping("/api/v1/recorders/{name}/password")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void password(@PathVariable String name, @RequestBody Credentials given, Principal who) {
        fleet.recorder(name);
        database.write(() -> {
            fleet.password(name, given.user(), secrets.encrypt(given.password()));
            journal.add(who.getName(), "set the password of a recorder", name, "");
        });
    }

    @DeleteMapping("/api/v1/recorders/{name}")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void remove(
            @PathVariable String name,
            @RequestHeader(name = "If-Match", required = false) @Nullable String ifMatch,
            Principal who) {
        var recorder = fleet.recorder(name);
        Versions.check(Optional.ofNullable(ifMatch), recorder.version(), "recorder " + name);
        database.write(() -> {
            fleet.remove(name);
            journal.add(who.getName(), "removed a recorder", name, recorder.address());
        });
    }

    /** What is not said stays as it is. */
    @PutMapping("/api/v1/cameras/{recorder}/{channel}/placing")
    ResponseEntity<Void> place(
            @PathVariable String recorder,
            @PathVariable String channel,
            @RequestBody Placing given,
            @RequestHeader(name = "If-Match", required = false) @Nullable String ifMatch,
            Principal who) {
        var camera = fleet.camera(new Node.Camera(new RecorderName(recorder), channel));
        Versions.check(Optional.ofNullable(ifMatch), camera.version(), "camera " + camera.camera());
        placings.place(
                List.of(new Placings.Line(1, camera.camera().text(), given.group(), given.tags())), who.getName());
        return ResponseEntity.noContent()
                .eTag(Versions.tag(fleet.camera(camera.camera()).version()))
                .build();
    }
}
