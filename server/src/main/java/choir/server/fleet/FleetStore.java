package choir.server.fleet;

import choir.fleet.Node;
import choir.fleet.RecorderName;
import choir.link.Fingerprint;
import choir.link.RecorderReading;
import choir.link.RecorderReading.Device;
import choir.server.db.Change;
import choir.server.db.Database;
import choir.server.stored.Json;
import choir.server.stored.StringsJson;
import choir.server.web.Problem;
import java.net.URI;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.time.Duration;
import java.time.Instant;
import java.time.ZoneId;
import java.util.ArrayList;
import java.util.Collection;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;
import java.util.stream.Collectors;
import org.springframework.stereotype.Component;

/** Recorders, cameras and groups. */
@Component
public class FleetStore {
    private static final String RECORDER = """
            SELECT name, family, address, username, zone, manufacturer, model, firmware, serial, why_not,
                   clock_ahead, posix_zone, read_at, tried_at, certificate, next_sent, other_ranges IS NOT NULL AS ranges_known,
                   version
            FROM recorder
            """;
    private static final String CAMERA =
            "SELECT id, recorder, channel, label, device_name, camera_group, tags, gone_since, notes, version FROM camera ";

    private final Database database;

    FleetStore(Database database) {
        this.database = database;
    }

    public List<StoredRecorder> recorders() {
        return database.query(RECORDER + " ORDER BY name")
                .query(FleetStore::recorder)
                .list();
    }

    public List<String> recorderNames() {
        return database.query("SELECT name FROM recorder ORDER BY name")
                .query(String.class)
                .list();
    }

    public Optional<StoredRecorder> find(String name) {
        return database.query(RECORDER + " WHERE name = :name")
                .param("name", name)
                .query(FleetStore::recorder)
                .optional();
    }

    public StoredRecorder recorder(String name) {
        return find(name).orElseThrow(() -> Problem.notFound("recorder", name, recorderNames()));
    }

    private static StoredRecorder recorder(ResultSet row, int number) throws SQLException {
        var clockAhead = row.getObject("clock_ahead");
        return new StoredRecorder(
                new RecorderName(row.getString("name")),
                row.getString("family"),
                Optional.ofNullable(row.getString("address")).map(URI::create),
                row.getString("username"),
                Optional.of(row.getString("certificate"))
                        .filter(c -> !c.isEmpty())
                        .map(Fingerprint::new),
                row.getInt("next_sent") == 1,
                row.getString("zone"),
                new Device(
                        row.getString("manufacturer"),
                        row.getString("model"),
                        row.getString("firmware"),
                        row.getString("serial")),
                Contact.of(row.getString("read_at"), row.getString("tried_at"), row.getString("why_not")),
                clockAhead instanceof Number seconds
                        ? Optional.of(Duration.ofSeconds(seconds.longValue()))
                        : Optional.empty(),
                row.getString("posix_zone"),
                row.getInt("ranges_known") == 1,
                row.getLong("version"));
    }

    public byte[] secret(String recorder) {
        return database.query("SELECT secret FROM recorder WHERE name = :name")
                .param("name", recorder)
                .query((row, n) -> row.getBytes("secret"))
                .single();
    }

    /** What is known of a recorder that is added; to be called within a transaction. */
    @SuppressWarnings("ArrayRecordComponent")
    record Fresh(
            RecorderName name,
            String family,
            Optional<URI> address,
            String user,
            byte[] secret,
            Optional<Fingerprint> certificate,
            ZoneId zone) {}

    void add(Fresh fresh) {
        database.change("""
                        INSERT INTO recorder (name, family, address, username, secret, certificate, zone)
                        VALUES (:name, :family, :address, :user, :secret, :certificate, :zone)
                        """)
                .param("name", fresh.name().text())
                .param("family", fresh.family())
                .param("address", fresh.address().map(URI::toString).orElse(null))
                .param("user", fresh.user())
                .param("secret", fresh.secret())
                .param("certificate", fresh.certificate().map(Fingerprint::text).orElse(""))
                .param("zone", fresh.zone().getId())
                .update();
        database.tell(new Change.RecorderChanged(fresh.name().text()));
    }

    /** @return whether it was there in that version */
    boolean remove(String name, long version) {
        int gone = database.change("DELETE FROM recorder WHERE name = :name AND version = :version")
                .param("name", name)
                .param("version", version)
                .update();
        database.tell(new Change.RecorderChanged(name));
        return gone == 1;
    }

    void password(String name, String user, byte[] secret) {
        database.change(
                        "UPDATE recorder SET username = :user, secret = :secret, next_secret = NULL, next_sent = 0, version = version + 1 WHERE name = :name")
                .param("user", user)
                .param("secret", secret)
                .param("name", name)
                .update();
        database.tell(new Change.RecorderChanged(name));
    }

    /** It answered: what it says of itself. To be called within a transaction. */
    public void reached(String name, RecorderReading reading, Instant at) {
        database.change("""
                        UPDATE recorder SET why_not = NULL, manufacturer = :manufacturer, model = :model,
                          firmware = :firmware,
                          serial = CASE :serial WHEN '' THEN serial ELSE :serial END, clock_ahead = :ahead, posix_zone = :zone,
                          read_at = :at, tried_at = :at
                        WHERE name = :name
                        """)
                .param("manufacturer", reading.device().manufacturer())
                .param("model", reading.device().model())
                .param("firmware", reading.device().firmware())
                .param("serial", reading.device().serial())
                .param("ahead", reading.clockAhead().map(Duration::toSeconds).orElse(null))
                .param("zone", reading.posixZone())
                .param("at", at.toString())
                .param("name", name)
                .update();
        database.tell(new Change.RecorderChanged(name));
    }

    /** Whether the channel is on its recorder. To be called within a transaction. */
    public void there(StoredCamera camera, boolean isThere, Instant at) {
        if (isThere == camera.goneSince().isPresent()) {
            database.change("UPDATE camera SET gone_since = :since WHERE id = :id")
                    .param("since", isThere ? null : at.toString())
                    .param("id", camera.id())
                    .update();
        }
    }

    /** What the recorder said of it that was not understood. To be called within a transaction. */
    public void noted(StoredCamera camera, List<String> notes) {
        if (!notes.equals(camera.notes())) {
            database.change("UPDATE camera SET notes = :notes WHERE id = :id")
                    .param("notes", notes.isEmpty() ? null : StringsJson.write(notes))
                    .param("id", camera.id())
                    .update();
        }
    }

    /** It did not answer, or nothing that can be used. To be called within a transaction. */
    public void notReached(String name, String why, Instant at) {
        database.change("UPDATE recorder SET why_not = :why, tried_at = :at WHERE name = :name")
                .param("why", why)
                .param("at", at.toString())
                .param("name", name)
                .update();
        database.tell(new Change.RecorderChanged(name));
    }

    public List<StoredCamera> cameras() {
        return database.query(CAMERA + " ORDER BY recorder, channel")
                .query(FleetStore::camera)
                .list();
    }

    public List<StoredCamera> camerasOf(String recorder) {
        return database.query(CAMERA + " WHERE recorder = :recorder ORDER BY channel")
                .param("recorder", recorder)
                .query(FleetStore::camera)
                .list();
    }

    /** By their rows, in the order of recorder and channel; those that are gone are left out. */
    public List<StoredCamera> cameras(Collection<Long> ids) {
        List<StoredCamera> found = new ArrayList<>(ids.size());
        for (long id : ids) {
            database.query(CAMERA + " WHERE id = :id")
                    .param("id", id)
                    .query(FleetStore::camera)
                    .optional()
                    .ifPresent(found::add);
        }
        found.sort(Comparator.comparing((StoredCamera c) -> c.camera().recorder())
                .thenComparing(c -> c.camera().channel()));
        return found;
    }

    public StoredCamera camera(Node.Camera camera) {
        return find(camera).orElseThrow(() -> noSuch(camera));
    }

    /** Names the nearest camera of the same recorder, or the nearest recorder when there is none of that name. */
    public Problem noSuch(Node.Camera camera) {
        var siblings = camerasOf(camera.recorder().text());
        return siblings.isEmpty()
                ? Problem.notFound("recorder", camera.recorder().text(), recorderNames())
                : Problem.notFound(
                        "camera",
                        camera.text(),
                        siblings.stream().map(c -> c.camera().text()).toList());
    }

    public Optional<StoredCamera> find(Node.Camera camera) {
        return database.query(CAMERA + " WHERE recorder = :recorder AND channel = :channel")
                .param("recorder", camera.recorder().text())
                .param("channel", camera.channel())
                .query(FleetStore::camera)
                .optional();
    }

    private static StoredCamera camera(ResultSet row, int number) throws SQLException {
        var tags = tags(row.getString("tags"));
        return new StoredCamera(
                row.getLong("id"),
                new Node.Camera(new RecorderName(row.getString("recorder")), row.getString("channel")),
                row.getString("label"),
                row.getString("device_name"),
                new Node.Group(row.getString("camera_group")),
                Set.copyOf(tags.orElse(List.of())),
                Optional.ofNullable(row.getString("gone_since")).map(Instant::parse),
                Optional.ofNullable(row.getString("notes"))
                        .flatMap(FleetStore::tags)
                        .orElse(List.of()),
                tags.isEmpty(),
                row.getLong("version"));
    }

    private static Optional<List<String>> tags(String text) {
        try {
            return Optional.of(StringsJson.read(text));
        } catch (Json.UnreadableException e) {
            return Optional.empty();
        }
    }

    /** Adds the camera in the root group, or brings its names up to date. */
    public void seen(RecorderName recorder, String channel, String label, String deviceName) {
        database.change("""
                        INSERT INTO camera (recorder, channel, label, device_name, camera_group, tags)
                        VALUES (:recorder, :channel, :label, :device, 'fleet', :tags)
                        ON CONFLICT (recorder, channel) DO UPDATE SET label = :label, device_name = :device
                        """)
                .param("recorder", recorder.text())
                .param("channel", channel)
                .param("label", label)
                .param("device", deviceName)
                .param("tags", StringsJson.write(List.of()))
                .update();
        database.tell(new Change.RecorderChanged(recorder.text()));
    }

    /** A person has been at the recorder. */
    public void seenByHand(String recorder, Instant at) {
        database.change("UPDATE recorder SET read_at = :at, tried_at = :at, why_not = NULL WHERE name = :name")
                .param("at", at.toString())
                .param("name", recorder)
                .update();
        database.tell(new Change.RecorderChanged(recorder));
    }

    /** @return whether the camera was there in that version */
    boolean place(StoredCamera camera, Node.Group group, Set<String> tags) {
        int placed = database.change("""
                        UPDATE camera SET camera_group = :group, tags = :tags, version = version + 1
                        WHERE id = :id AND version = :version
                        """)
                .param("group", group.text())
                .param("tags", StringsJson.write(tags.stream().sorted().toList()))
                .param("id", camera.id())
                .param("version", camera.version())
                .update();
        database.tell(new Change.CamerasPlaced(Set.of(camera.camera().recorder().text())));
        return placed == 1;
    }

    /** How many cameras stand in the group or below it. */
    int camerasIn(Node.Group group) {
        return database.query("""
                        SELECT count(*) FROM camera
                        WHERE camera_group = :group OR substr(camera_group, 1, length(:group) + 1) = :group || '/'
                        """)
                .param("group", group.text())
                .query(Integer.class)
                .single();
    }

    public Set<Node.Group> groups() {
        return database.query("SELECT path FROM camera_group ORDER BY path").query(String.class).list().stream()
                .map(Node.Group::new)
                .collect(Collectors.toCollection(TreeSet::new));
    }

    /** Adds the group and those above it that are missing. */
    public void addGroup(Node.Group group) {
        for (var one : group.chain()) {
            database.change("INSERT OR IGNORE INTO camera_group (path) VALUES (:path)")
                    .param("path", one.text())
                    .update();
        }
        database.tell(new Change.GroupsChanged());
    }

    /** With all below it, its cameras and what is said there; the new place must be free. */
    void moveGroup(Node.Group from, Node.Group to) {
        to.parent().ifPresent(this::addGroup);
        database.tell(new Change.GroupMoved(from, to));
        for (var old : groups()) {
            if (from.contains(old)) {
                var moved = to.text() + old.text().substring(from.text().length());
                database.change("INSERT INTO camera_group (path) VALUES (:path)")
                        .param("path", moved)
                        .update();
                for (var sql : List.of(
                        "UPDATE camera SET camera_group = :to, version = version + 1 WHERE camera_group = :from",
                        "UPDATE template_use SET node = :to WHERE node_kind = 'GROUP' AND node = :from",
                        "UPDATE policy_override SET node = :to WHERE node_kind = 'GROUP' AND node = :from",
                        "UPDATE node_version SET node = :to WHERE node_kind = 'GROUP' AND node = :from",
                        "UPDATE account_grant SET place = :to WHERE place = :from",
                        "UPDATE token SET place = :to WHERE place = :from")) {
                    database.change(sql)
                            .param("to", moved)
                            .param("from", old.text())
                            .update();
                }
                database.change("DELETE FROM camera_group WHERE path = :path")
                        .param("path", old.text())
                        .update();
            }
        }
    }

    /** Who has a role in that group or below, by name. */
    List<String> placedIn(Node.Group group) {
        return database.query("""
                        SELECT DISTINCT account FROM account_grant
                        WHERE place = :path OR place BETWEEN :path || '/' AND :path || '0' ORDER BY account
                        """)
                .param("path", group.text())
                .query(String.class)
                .list();
    }

    /** With all below it and what is said there; no camera may stand in any of them. */
    void removeGroup(Node.Group group) {
        database.tell(new Change.NodeSpoken(group));
        database.tell(new Change.GroupsChanged());
        for (var one : groups()) {
            if (group.contains(one)) {
                for (var sql : List.of(
                        "DELETE FROM template_use WHERE node_kind = 'GROUP' AND node = :path",
                        "DELETE FROM policy_override WHERE node_kind = 'GROUP' AND node = :path",
                        "DELETE FROM node_version WHERE node_kind = 'GROUP' AND node = :path",
                        "DELETE FROM camera_group WHERE path = :path")) {
                    database.change(sql).param("path", one.text()).update();
                }
            }
        }
    }

    /** Refuses a group or camera that does not exist, naming the nearest that does. */
    public void require(Node node) {
        switch (node) {
            case Node.Camera c -> camera(c);
            case Node.Group g -> {
                var groups = groups();
                if (!groups.contains(g)) {
                    throw Problem.notFound(
                            "group",
                            g.text(),
                            groups.stream().map(Node.Group::text).toList());
                }
            }
        }
    }
}
