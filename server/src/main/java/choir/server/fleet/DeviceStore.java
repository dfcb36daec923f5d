package choir.server.fleet;

import choir.link.Fingerprint;
import choir.link.RecorderReading.Device;
import choir.server.db.Change;
import choir.server.db.Database;
import choir.server.web.Problem;
import java.net.URI;
import java.time.ZoneId;
import java.util.List;
import java.util.Optional;
import org.springframework.stereotype.Component;

/** Which device a recorder is, and what its firmware was. */
@Component
public class DeviceStore {
    private final Database database;

    DeviceStore(Database database) {
        this.database = database;
    }

    /** The firmware is another than it was; the first of several is remembered. To be called within a transaction. */
    public void otherFirmware(String name, String before) {
        database.change("UPDATE recorder SET firmware_before = ifnull(firmware_before, :before) WHERE name = :name")
                .param("before", before)
                .param("name", name)
                .update();
    }

    /** What the firmware was before a change that is not settled yet. */
    public Optional<String> firmwareBefore(String name) {
        return database.query("SELECT firmware_before FROM recorder WHERE name = :name AND firmware_before IS NOT NULL")
                .param("name", name)
                .query(String.class)
                .optional();
    }

    /** All that a change of firmware had put in question was seen to be in tune. */
    public void firmwareSettled(String name) {
        database.change("UPDATE recorder SET firmware_before = NULL WHERE name = :name")
                .param("name", name)
                .update();
    }

    /** In what the ranges that it tells of differ from its family file; empty when it was not asked. */
    public Optional<List<String>> otherRanges(String name) {
        return database.query("SELECT other_ranges FROM recorder WHERE name = :name AND other_ranges IS NOT NULL")
                .param("name", name)
                .query(String.class)
                .optional()
                .map(text -> text.lines().toList());
    }

    /** To be called within a transaction. */
    public void otherRanges(String name, List<String> differences) {
        database.change("UPDATE recorder SET other_ranges = :ranges WHERE name = :name")
                .param("ranges", String.join("\n", differences))
                .param("name", name)
                .update();
    }

    /** Another recorder that is this very device, by its serial number, make and model. */
    public Optional<String> sameDevice(String name, Device device) {
        return device.serial().isEmpty()
                ? Optional.empty()
                : database.query("""
                                SELECT name FROM recorder WHERE serial = :serial AND serial <> ''
                                  AND manufacturer = :manufacturer AND model = :model AND name <> :name LIMIT 1
                                """)
                        .param("serial", device.serial())
                        .param("manufacturer", device.manufacturer())
                        .param("model", device.model())
                        .param("name", name)
                        .query(String.class)
                        .optional();
    }

    /** Another recorder at the same address. */
    public Optional<String> atAddress(URI address) {
        return database.query("SELECT name FROM recorder WHERE address = :address LIMIT 1")
                .param("address", address.toString())
                .query(String.class)
                .optional();
    }

    /** A person has seen that this certificate is the recorder's own; to be called within a transaction. */
    void certificate(String name, Fingerprint fingerprint) {
        database.change("UPDATE recorder SET certificate = :certificate, version = version + 1 WHERE name = :name")
                .param("certificate", fingerprint.text())
                .param("name", name)
                .update();
        database.tell(new Change.RecorderChanged(name));
    }

    /**
     * Another device takes a recorder's place; who it is, the next reading tells. To be called within a transaction.
     *
     * @param address where it is now; empty when it is where the old one was
     */
    public void replaced(String name, Optional<URI> address) {
        database.change("""
                        UPDATE recorder SET serial = '', firmware = '', firmware_before = NULL, other_ranges = NULL,
                          address = ifnull(:address, address), version = version + 1
                        WHERE name = :name
                        """)
                .param("address", address.map(URI::toString).orElse(null))
                .param("name", name)
                .update();
        database.tell(new Change.RecorderChanged(name));
    }

    /** @throws Problem when another recorder is at that address */
    public void requireFree(URI address, String name) {
        atAddress(address).filter(other -> !other.equals(name)).ifPresent(other -> {
            throw new Problem(Problem.Kind.CONFLICT, "\"" + other + "\" is at that address already: " + address);
        });
    }

    /** The same device; what is empty stays. To be called within a transaction. */
    public void edited(String name, Optional<URI> address, Optional<ZoneId> zone) {
        database.change("""
                        UPDATE recorder SET address = ifnull(:address, address), zone = ifnull(:zone, zone),
                          version = version + 1
                        WHERE name = :name
                        """)
                .param("address", address.map(URI::toString).orElse(null))
                .param("zone", zone.map(ZoneId::getId).orElse(null))
                .param("name", name)
                .update();
        database.tell(new Change.RecorderChanged(name));
    }
}
