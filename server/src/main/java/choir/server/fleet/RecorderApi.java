package choir.server.fleet;

import choir.family.Family;
import choir.fleet.Node;
import choir.fleet.RecorderName;
import choir.link.Fingerprint;
import choir.link.GenericFamily;
import choir.link.RecorderAccess;
import choir.link.RecorderLink;
import choir.link.RecorderReading;
import choir.server.ServiceSettings;
import choir.server.account.Secrets;
import choir.server.db.Database;
import choir.server.family.KnownFamilies;
import choir.server.journal.Journal;
import choir.server.link.AllowedAddresses;
import choir.server.reach.Keeper;
import choir.server.web.Problem;
import choir.server.web.Versions;
import choir.week.PosixZone;
import choir.week.ZoneProposal;
import java.net.URI;
import java.security.Principal;
import java.time.Clock;
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
    /**
     * @param address, user and password are missing for a recorder without a network interface
     * @param cameras for such a recorder, the labels of its cameras in the order of its channels
     * @param fingerprint the SHA-256 of its certificate, where it is spoken to by TLS and no authority vouches for it
     */
    record NewRecorder(
            String name,
            @Nullable String address,
            @Nullable String user,
            @Nullable String password,
            @Nullable String fingerprint,
            @Nullable String family,
            @Nullable String zone,
            @Nullable List<String> cameras) {}

    private static final int MOST_CAMERAS = 256;
    private static final int LONGEST_LABEL = 256;

    record Credentials(String user, String password) {}

    record Placing(@Nullable String group, @Nullable List<String> tags) {}

    private final FleetStore fleet;
    private final DeviceStore devices;
    private final Database database;
    private final Journal journal;
    private final Secrets secrets;
    private final KnownFamilies families;
    private final RecorderLink link;
    private final AllowedAddresses allowed;
    private final Placings placings;
    private final ServiceSettings settings;
    private final List<RecorderFollower> followers;
    private final PauseStore pauses;
    private final Listening listening;
    private final Keeper keeper;
    private final Clock clock;

    RecorderApi(
            FleetStore fleet,
            DeviceStore devices,
            Database database,
            Journal journal,
            Secrets secrets,
            KnownFamilies families,
            RecorderLink link,
            AllowedAddresses allowed,
            Placings placings,
            ServiceSettings settings,
            List<RecorderFollower> followers,
            PauseStore pauses,
            Listening listening,
            Keeper keeper,
            Clock clock) {
        this.keeper = keeper;
        this.listening = listening;
        this.pauses = pauses;
        this.followers = followers;
        this.settings = settings;
        this.clock = clock;
        this.fleet = fleet;
        this.devices = devices;
        this.database = database;
        this.journal = journal;
        this.secrets = secrets;
        this.families = families;
        this.link = link;
        this.allowed = allowed;
        this.placings = placings;
    }

    @GetMapping("/api/v1/recorders")
    List<RecorderView> recorders() {
        var paused = pauses.inForce();
        return fleet.recorders().stream()
                .filter(r -> keeper.sees(r.name()))
                .map(r -> RecorderView.of(r, Optional.ofNullable(paused.get(r.name())), listening.since(r.name())))
                .toList();
    }

    @GetMapping("/api/v1/recorders/{name}")
    ResponseEntity<RecorderView> recorder(@PathVariable String name) {
        var recorder = fleet.recorder(name);
        return ResponseEntity.ok()
                .eTag(Versions.tag(recorder.version()))
                .body(RecorderView.of(recorder, pauses.of(name), listening.since(name)));
    }

    @PostMapping("/api/v1/recorders")
    @ResponseStatus(HttpStatus.CREATED)
    RecorderView add(@RequestBody NewRecorder given, Principal who) {
        var name = new RecorderName(given.name());
        requireFree(name);
        var said = Optional.ofNullable(given.zone()).map(Zones::parse);
        if (given.family() != null && families.require(given.family()).onSite()) {
            return addOnSite(name, families.require(given.family()), said.orElse(settings.zone()), given, who);
        }
        if (given.address() == null || given.user() == null || given.password() == null) {
            throw new Problem(
                    Problem.Kind.INVALID,
                    "a recorder needs an address, a user and a password; only one of a family without a network"
                            + " interface goes without");
        }
        // Checks the address before anything is asked or stored.
        var access = new RecorderAccess(
                name.text(),
                address(given.address()),
                given.user(),
                given.password(),
                Optional.ofNullable(given.fingerprint()).map(Fingerprint::parse),
                Optional.empty());
        allowed.require(access.address());
        var reading = given.family() == null ? Optional.of(link.read(access)) : Optional.<RecorderReading>empty();
        reading.flatMap(r -> devices.sameDevice(name.text(), r.device())).ifPresent(other -> {
            throw new Problem(
                    Problem.Kind.CONFLICT,
                    "that device is known already as \"" + other + "\" (serial number "
                            + reading.get().device().serial() + ")");
        });
        var family = reading.isPresent()
                ? recognised(access, reading.get().device(), who)
                : families.require(String.valueOf(given.family()));
        var zone = said.orElseGet(() -> ZoneProposal.of(
                reading.map(RecorderReading::posixZone).flatMap(PosixZone::parse), settings.zone(), clock.instant()));
        database.write(() -> store(
                new FleetStore.Fresh(
                        name,
                        family.name(),
                        Optional.of(access.address()),
                        given.user(),
                        secrets.encrypt(given.password()),
                        access.pinned(),
                        zone),
                who));
        return RecorderView.of(fleet.recorder(name.text()), Optional.empty(), Optional.empty());
    }

    private static URI address(String text) {
        try {
            return URI.create(text.strip());
        } catch (IllegalArgumentException e) {
            throw new Problem(
                    Problem.Kind.INVALID,
                    "\"" + text + "\" is not an address; expected a form like http://10.20.0.5/onvif/device_service");
        }
    }

    private void requireFree(RecorderName name) {
        if (fleet.find(name.text()).isPresent()) {
            throw new Problem(Problem.Kind.CONFLICT, "there is a recorder \"" + name + "\" already");
        }
    }

    /** To be called within a transaction. */
    private void store(FleetStore.Fresh fresh, Principal who) {
        requireFree(fresh.name());
        fresh.address()
                .ifPresent(address -> devices.requireFree(address, fresh.name().text()));
        fleet.add(fresh);
        journal.add(
                who.getName(),
                "added a recorder",
                fresh.name().text(),
                fresh.address().map(URI::toString).orElse("on site"));
    }

    /** Its cameras are there from the start, since nobody can ask it which it has. */
    private RecorderView addOnSite(RecorderName name, Family family, ZoneId zone, NewRecorder given, Principal who) {
        List<String> labels = given.cameras() == null ? List.of() : given.cameras();
        if (labels.isEmpty()
                || labels.size() > MOST_CAMERAS
                || labels.stream().anyMatch(l -> l.isBlank() || l.length() > LONGEST_LABEL)) {
            throw new Problem(
                    Problem.Kind.INVALID,
                    "name the cameras of " + name + ", 1 to " + MOST_CAMERAS + " of them, each in at most "
                            + LONGEST_LABEL + " characters: it has no network interface to ask");
        }
        database.write(() -> {
            store(
                    new FleetStore.Fresh(
                            name, family.name(), Optional.empty(), "", secrets.encrypt(""), Optional.empty(), zone),
                    who);
            for (int i = 0; i < labels.size(); i++) {
                fleet.seen(name, "%02d".formatted(i + 1), labels.get(i), "");
            }
        });
        return RecorderView.of(fleet.recorder(name.text()), Optional.empty(), Optional.empty());
    }

    /** One of no known family gets one from what it says of itself. */
    private Family recognised(RecorderAccess access, RecorderReading.Device device, Principal who) {
        return families.recognise(device.manufacturer(), device.model())
                .orElseGet(() -> families.put(GenericFamily.file(link.describe(access)), who.getName()));
    }

    @PutMapping("/api/v1/recorders/{name}/password")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void password(@PathVariable String name, @RequestBody Credentials given, Principal who) {
        database.write(() -> {
            fleet.recorder(name);
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
        database.write(() -> {
            var recorder = fleet.recorder(name);
            Versions.check(Optional.ofNullable(ifMatch), recorder.version(), "recorder " + name);
            followers.forEach(f -> f.recorderIsRemoved(name));
            fleet.remove(name, recorder.version());
            journal.add(
                    who.getName(),
                    "removed a recorder",
                    name,
                    recorder.address().map(URI::toString).orElse("on site"));
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
        var camera = Node.Camera.ofSegments(recorder, channel);
        long version = database.write(() -> {
            Versions.check(Optional.ofNullable(ifMatch), fleet.camera(camera).version(), "camera " + camera);
            placings.place(List.of(new Placings.Line(1, camera.text(), given.group(), given.tags())), who.getName());
            return fleet.camera(camera).version();
        });
        return ResponseEntity.noContent().eTag(Versions.tag(version)).build();
    }
}
