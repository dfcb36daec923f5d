package choir.sim;

import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.time.Duration;
import java.util.List;
import java.util.Map;
import org.jspecify.annotations.Nullable;
import org.snakeyaml.engine.v2.api.Load;
import org.snakeyaml.engine.v2.api.LoadSettings;

/** Reads a fleet file: recorders with their make, credentials, labels, and what was done to them at the factory gate. */
public final class SimFleet {
    private SimFleet() {}

    public static void load(Simulator simulator, Path file) {
        try (var in = Files.newInputStream(file)) {
            var root = map(new Load(LoadSettings.builder().build()).loadFromInputStream(in));
            var zone = root.get("posix-zone");
            for (var entry : list(root.get("recorders"))) {
                var given = map(entry);
                if (!given.containsKey("user")) {
                    // One without a network interface: there is nothing to play.
                    continue;
                }
                var recorder = recorder(simulator, given);
                recorder.zone = zone == null ? recorder.zone : zone.toString();
            }
        } catch (IOException e) {
            throw new UncheckedIOException(e);
        }
    }

    private static SimRecorder recorder(Simulator simulator, Map<?, ?> given) {
        var labels = list(given.get("cameras"));
        var recorder = simulator.add(
                text(given, "name"), text(given, "make"), text(given, "user"), text(given, "password"), labels.size());
        for (int i = 0; i < labels.size(); i++) {
            var camera = map(labels.get(i));
            recorder.channels.get(i).label = text(camera, "label");
            if (camera.containsKey("scene")) {
                recorder.channels.get(i).scene = text(camera, "scene");
            }
        }
        map(given.get("quirks")).forEach((item, takes) -> recorder.quirks.put(item.toString(), takes.toString()));
        if (Boolean.TRUE.equals(given.get("tls"))) {
            recorder.tlsPort = simulator.tlsPort();
        }
        if (given.containsKey("fault")) {
            recorder.faults.set(text(given, "fault"), java.time.Duration.ZERO);
        }
        if (given.containsKey("clock")) {
            recorder.clockAhead = Duration.parse(text(given, "clock"));
        }
        return recorder;
    }

    private static String text(Map<?, ?> given, String key) {
        var value = given.get(key);
        if (value == null) {
            throw new IllegalArgumentException("a recorder of the fleet file has no " + key);
        }
        return value.toString();
    }

    private static Map<?, ?> map(@Nullable Object value) {
        return value instanceof Map<?, ?> map ? map : Map.of();
    }

    private static List<?> list(@Nullable Object value) {
        return value instanceof List<?> list ? list : List.of();
    }
}
