package choir.cli;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeSet;
import org.snakeyaml.engine.v2.api.Load;
import org.snakeyaml.engine.v2.api.LoadSettings;

/** The demo fleet file, as far as the service is told of it. */
record DemoFleet(String zone, List<Recorder> recorders, String giveOut, List<String> then, List<Store> stores) {
    /** @param name empty for a recorder's only one */
    record Store(String recorder, String name, String size) {}

    /** @param user empty for one without a network interface */
    record Recorder(String name, String make, String user, String password, boolean tls, List<Camera> cameras) {
        List<String> labels() {
            return cameras.stream().map(Camera::label).toList();
        }
    }

    /** @param channel counted from 01 in the order of the file */
    record Camera(String channel, String label, String group, List<String> tags) {}

    static DemoFleet read(Path file) {
        try (var in = Files.newInputStream(file)) {
            var root = map(new Load(LoadSettings.builder().build()).loadFromInputStream(in));
            return new DemoFleet(
                    text(root, "zone"),
                    list(root.get("recorders")).stream()
                            .filter(r -> !map(r).containsKey("add"))
                            .map(r -> recorder(map(r)))
                            .toList(),
                    text(root, "give-out"),
                    list(root.get("then")).stream().map(String::valueOf).toList(),
                    list(root.get("stores")).stream().map(s -> store(map(s))).toList());
        } catch (IOException e) {
            throw new Failure(Failure.FAILED, "the demo fleet cannot be read: " + e.getMessage());
        }
    }

    private static Store store(Map<?, ?> given) {
        return new Store(
                text(given, "recorder"), given.containsKey("store") ? text(given, "store") : "", text(given, "size"));
    }

    private static Recorder recorder(Map<?, ?> given) {
        List<Camera> cameras = new ArrayList<>();
        for (var entry : list(given.get("cameras"))) {
            var camera = map(entry);
            cameras.add(new Camera(
                    "%02d".formatted(cameras.size() + 1),
                    text(camera, "label"),
                    text(camera, "group"),
                    list(camera.get("tags")).stream().map(String::valueOf).toList()));
        }
        return new Recorder(
                text(given, "name"),
                text(given, "make"),
                given.containsKey("user") ? text(given, "user") : "",
                given.containsKey("user") ? text(given, "password") : "",
                Boolean.TRUE.equals(given.get("tls")),
                cameras);
    }

    Set<String> groups() {
        Set<String> groups = new TreeSet<>();
        recorders.forEach(r -> r.cameras().forEach(c -> groups.add(c.group())));
        return groups;
    }

    private static String text(Map<?, ?> given, String key) {
        var value = given.get(key);
        if (value == null) {
            throw new Failure(Failure.FAILED, "the demo fleet file lacks " + key);
        }
        return value.toString();
    }

    private static Map<?, ?> map(Object value) {
        return value instanceof Map<?, ?> map ? map : Map.of();
    }

    private static List<?> list(@org.jspecify.annotations.Nullable Object value) {
        return value instanceof List<?> list ? list : List.of();
    }
}
