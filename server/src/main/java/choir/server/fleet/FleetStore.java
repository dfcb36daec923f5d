package choir.server.fleet;

import choir.fleet.Node;
import choir.fleet.RecorderName;
import choir.server.db.Database;
import choir.server.web.Problem;
import java.sql.ResultSet;
import java.sql.SQLException;
import java.util.Arrays;
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
            SELECT name, family, address, username, zone, manufacturer, model, firmware, serial, trouble,
                   clock_ahead_seconds, posix_zone, read_at, tried_at, version
            FROM recorder
            """;
    private static final String CAMERA =
            "SELECT id, recorder, channel, label, device_name, camera_group, tags, version FROM camera ";

    private final Database database;

    FleetStore(Database database) {
        this.database = database;
    }

    public List<StoredRecorder> recorders() {
        return database.query(RECORDER + " ORDER BY name")
                .query(StoredRecorder.class)
                .list();
    }

    public StoredRecorder recorder(String name) {
        return database.query(RECORDER + " WHERE name = :name")
                .param("name", name)
                .query(StoredRecorder.class)
                .optional()
                .orElseThrow(() -> Problem.notFound(
                        "recorder",
                        name,
                        recorders().stream().map(StoredRecorder::name).toList()));
    }

    public byte[] secret(String recorder) {
        return database.query("SELECT secret FROM recorder WHERE name = :name")
                .param("name", recorder)
                .query((row, n) -> row.getBytes("secret"))
                .single();
    }

    void add(RecorderName name, String family, String address, String user, byte[] secret, String zone) {
        database.change("""
                        INSERT INTO recorder (name, family, address, username, secret, zone)
                        VALUES (:name, :family, :address, :user, :secret, :zone)
                        """)
                .param("name", name.text())
                .param("family", family)
                .param("address", address)
                .param("user", user)
                .param("secret", secret)
                .param("zone", zone)
                .update();
    }

    void remove(String name) {
        database.change("DELETE FROM recorder WHERE name = :name")
                .param("name", name)
                .update();
    }

    void password(String name, String user, byte[] secret) {
        database.change(
                        "UPDATE recorder SET username = :user, secret = :secret, version = version + 1 WHERE name = :name")
                .param("user", user)
                .param("secret", secret)
                .param("name", name)
                .update();
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

    public StoredCamera camera(Node.Camera camera) {
        return find(camera)
                .orElseThrow(() -> Problem.notFound(
                        "camera",
                        camera.text(),
                        cameras().stream().map(c -> c.camera().text()).toList()));
    }

    public Optional<StoredCamera> find(Node.Camera camera) {
        return database.query(CAMERA + " WHERE recorder = :recorder AND channel = :channel")
                .param("recorder", camera.recorder().text())
                .param("channel", camera.channel())
                .query(FleetStore::camera)
                .optional();
    }

    private static StoredCamera camera(ResultSet row, int number) throws SQLException {
        return new StoredCamera(
                row.getLong("id"),
                new Node.Camera(new RecorderName(row.getString("recorder")), row.getString("channel")),
                row.getString("label"),
                row.getString("device_name"),
                new Node.Group(row.getString("camera_group")),
                tags(row.getString("tags")),
                row.getLong("version"));
    }

    private static Set<String> tags(String text) {
        return text.isEmpty() ? Set.of() : Set.copyOf(Arrays.asList(text.split(",")));
    }

    /** Adds the camera in the root group, or brings its names up to date. */
    public void seen(RecorderName recorder, String channel, String label, String deviceName) {
        database.change("""
                        INSERT INTO camera (recorder, channel, label, device_name, camera_group)
                        VALUES (:recorder, :channel, :label, :device, 'fleet')
                        ON CONFLICT (recorder, channel) DO UPDATE SET label = :label, device_name = :device
                        """)
                .param("recorder", recorder.text())
                .param("channel", channel)
                .param("label", label)
                .param("device", deviceName)
                .update();
    }

    /** A person has been at the recorder. */
    public void seenByHand(String recorder, String at) {
        database.change("UPDATE recorder SET read_at = :at WHERE name = :name")
                .param("at", at)
                .param("name", recorder)
                .update();
    }

    void place(long camera, Node.Group group, Set<String> tags) {
        database.change("""
                        UPDATE camera SET camera_group = :group, tags = :tags, version = version + 1 WHERE id = :id
                        """)
                .param("group", group.text())
                .param("tags", tags.stream().sorted().collect(Collectors.joining(",")))
                .param("id", camera)
                .update();
    }

    public Set<Node.Group> groups() {
        return database.query("SELECT path FROM camera_group ORDER BY path").query(String.class).list().stream()
                .map(Node.Group::new)
                .collect(Collectors.toCollection(TreeSet::new));
    }

    /** Adds the group and those above it that are missing. */
    void addGroup(Node.Group group) {
        for (var one : group.chain()) {
            database.change("INSERT OR IGNORE INTO camera_group (path) VALUES (:path)")
                    .param("path", one.text())
                    .update();
        }
    }

    /** With all below it, its cameras and what is said there; the new place must be free. */
    void moveGroup(Node.Group from, Node.Group to) {
        to.parent().ifPresent(this::addGroup);
        for (var old : groups()) {
            if (from.contains(old)) {
                var moved = to.text() + old.text().substring(from.text().length());
                database.change("INSERT INTO camera_group (path) VALUES (:path)")
                        .param("path", moved)
                        .update();
                for (var sql : List.of(
                        "UPDATE camera SET camera_group = :to, version = version + 1 WHERE camera_group = :from",
                        "UPDATE template_use SET node = :to WHERE node = :from",
                        "UPDATE policy_override SET node = :to WHERE node = :from")) {
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

    /** With all below it and what is said there; no camera may stand in any of them. */
    void removeGroup(Node.Group group) {
        for (var one : groups()) {
            if (group.contains(one)) {
                for (var sql : List.of(
                        "DELETE FROM template_use WHERE node = :path",
                        "DELETE FROM policy_override WHERE node = :path",
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
