package choir.server.reading;

import choir.server.db.Database;
import choir.server.fleet.DeviceStore;
import choir.server.fleet.FleetStore;
import choir.server.fleet.StoredRecorder;
import choir.server.fleet.Zones;
import choir.server.journal.Journal;
import choir.server.link.AllowedAddresses;
import choir.server.web.Problem;
import choir.server.web.Versions;
import java.net.URI;
import java.security.Principal;
import java.util.Optional;
import org.jspecify.annotations.Nullable;
import org.springframework.http.HttpStatus;
import org.springframework.web.bind.annotation.PathVariable;
import org.springframework.web.bind.annotation.PutMapping;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.bind.annotation.RequestHeader;
import org.springframework.web.bind.annotation.ResponseStatus;
import org.springframework.web.bind.annotation.RestController;

/** A recorder moved in the network, or stands in another zone than was entered; it is the same device. */
@RestController
class RecorderEdits {
    /**
     * What is not said stays as it is.
     *
     * @param address where the same device is now
     */
    record RecorderEdit(@Nullable String address, @Nullable String zone) {}

    private final FleetStore fleet;
    private final DeviceStore store;
    private final Devices devices;
    private final AllowedAddresses allowed;
    private final Journal journal;
    private final Database database;

    RecorderEdits(
            FleetStore fleet,
            DeviceStore store,
            Devices devices,
            AllowedAddresses allowed,
            Journal journal,
            Database database) {
        this.fleet = fleet;
        this.store = store;
        this.devices = devices;
        this.allowed = allowed;
        this.journal = journal;
        this.database = database;
    }

    @PutMapping("/api/v1/recorders/{name}")
    @ResponseStatus(HttpStatus.NO_CONTENT)
    void edit(
            @PathVariable String name,
            @RequestBody RecorderEdit given,
            @RequestHeader(name = "If-Match", required = false) @Nullable String ifMatch,
            Principal who) {
        if (given.address() == null && given.zone() == null) {
            throw new Problem(Problem.Kind.INVALID, "say what is to be otherwise: an address or a zone");
        }
        var zone = Optional.ofNullable(given.zone()).map(Zones::parse);
        var address = Optional.ofNullable(given.address()).map(Replacements::address);
        var before = fleet.recorder(name);
        Versions.check(Optional.ofNullable(ifMatch), before.version(), "recorder " + name);
        address.ifPresent(to -> requireThere(before, to));
        database.write(() -> {
            // It was asked meanwhile, and somebody else may have changed it.
            Versions.check(
                    Optional.of(Versions.tag(before.version())),
                    fleet.recorder(name).version(),
                    "recorder " + name);
            address.ifPresent(to -> store.requireFree(to, name));
            store.edited(name, address, zone);
            address.ifPresent(to -> journal.add(
                    who.getName(), "gave a recorder another address", name, before.address() + " -> " + to));
            zone.ifPresent(to ->
                    journal.add(who.getName(), "gave a recorder another zone", name, before.zone() + " -> " + to));
        });
    }

    /** The very device answers there, and no other. */
    private void requireThere(StoredRecorder recorder, URI to) {
        if (recorder.address().isEmpty()) {
            throw new Problem(Problem.Kind.INVALID, recorder.name() + " has no network interface");
        }
        allowed.require(to);
        store.requireFree(to, recorder.name());
        var serial = devices.answer(recorder.at(to), access -> devices.identity(access))
                .serial();
        var known = recorder.device().serial();
        if (!known.isEmpty() && !known.equals(serial)) {
            throw new Problem(
                    Problem.Kind.CONFLICT,
                    "another device answers at " + to + ": its serial number is "
                            + (serial.isEmpty() ? "not told" : "\"" + serial + "\"") + ", that of " + recorder.name()
                            + " \"" + known + "\"; if it takes its place: choir recorder replace " + recorder.name()
                            + " --address " + to);
        }
    }
}
