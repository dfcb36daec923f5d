package choir.sim;

import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.time.Duration;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Properties;
import java.util.concurrent.atomic.AtomicInteger;
import java.util.concurrent.atomic.AtomicLong;

/** One simulated recorder. Its own lock is held while its state is read or changed. */
public final class SimRecorder {
    final String name;
    final SimModel model;
    final String user;
    final String password;
    final String serial;
    final List<SimChannel> channels = new ArrayList<>();
    final SimEvents events = new SimEvents();
    final AtomicInteger connections = new AtomicInteger();
    final AtomicLong calls = new AtomicLong();
    final AtomicLong writes = new AtomicLong();
    volatile SimFault fault = SimFault.NONE;
    volatile Duration delay = Duration.ZERO;
    volatile Duration clockAhead = Duration.ZERO;
    volatile String zone = "WET0WEST,M3.5.0/1,M10.5.0";
    private Optional<Path> file = Optional.empty();

    SimRecorder(String name, SimModel model, String user, String password, int channelCount) {
        this.name = name;
        this.model = model;
        this.user = user;
        this.password = password;
        this.serial = "SN" + Math.floorMod(name.hashCode(), 100_000);
        for (int i = 1; i <= channelCount; i++) {
            var token = "%02d".formatted(i);
            channels.add(new SimChannel(model, token, "Camera " + i, name + "-cam-" + token));
        }
    }

    SimChannel channel(String token) {
        return channels.stream()
                .filter(c -> c.token.equals(token))
                .findFirst()
                .orElseThrow(() -> new SimSoapFault("Sender", "InvalidArgVal", "NoEntity", "No channel " + token));
    }

    /** Keeps the state in that folder from now on, and takes it up from there when it is already known. */
    void keepIn(Path folder) {
        file = Optional.of(folder.resolve(name + ".properties"));
        if (Files.exists(file.get())) {
            var properties = new Properties();
            try (var in = Files.newBufferedReader(file.get())) {
                properties.load(in);
            } catch (IOException e) {
                throw new java.io.UncheckedIOException(e);
            }
            clockAhead = Duration.parse(properties.getProperty("clock", "PT0S"));
            fault = SimFault.valueOf(properties.getProperty("fault", "NONE"));
            channels.forEach(c -> c.load(properties));
        }
    }

    synchronized void save() {
        if (file.isEmpty()) {
            return;
        }
        var properties = new Properties();
        properties.setProperty("clock", clockAhead.toString());
        properties.setProperty("fault", fault.name());
        channels.forEach(c -> c.save(properties));
        var target = file.get();
        try {
            Files.createDirectories(target.getParent());
            var fresh = Files.createTempFile(target.getParent(), name, ".new");
            try (var out = Files.newBufferedWriter(fresh)) {
                properties.store(out, null);
            }
            Files.move(fresh, target, StandardCopyOption.ATOMIC_MOVE, StandardCopyOption.REPLACE_EXISTING);
        } catch (IOException e) {
            throw new java.io.UncheckedIOException(e);
        }
    }
}
