package choir.sim;

import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardCopyOption;
import java.time.Duration;
import java.time.Instant;
import java.time.ZoneId;
import java.time.ZonedDateTime;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Properties;
import java.util.TreeMap;
import java.util.UUID;
import java.util.concurrent.atomic.AtomicInteger;
import java.util.concurrent.atomic.AtomicLong;

/** One simulated recorder. Its own lock is held while its state is read or changed. */
public final class SimRecorder {
    final String name;
    final SimModel model;
    final String user;
    volatile String password;
    volatile String serial;
    volatile String firmware = "4.2.0";
    final List<SimChannel> channels = new ArrayList<>();
    final SimEvents events = new SimEvents();
    final SimStates states = new SimStates(this);
    final SearchAnswers.Sessions searches = new SearchAnswers.Sessions();
    final AtomicInteger connections = new AtomicInteger();
    final AtomicLong calls = new AtomicLong();
    final AtomicLong writes = new AtomicLong();
    final SimFaults faults = new SimFaults();
    private Optional<SimRestart> restart = Optional.empty();
    volatile Duration delay = Duration.ZERO;
    volatile Optional<SimModel.Pause> pause;
    volatile Duration clockAhead = Duration.ZERO;
    /** How much footage fits on its disks. */
    volatile Duration holds = Duration.ofDays(30);

    private final SimPast<Duration> clockPast = new SimPast<>();
    /** Where it is by TLS, when it tells whoever looks for it of nothing else. */
    volatile Optional<Integer> tlsPort = Optional.empty();

    /** Whether what it was set to before decides what it recorded then; very many recorders would need too much memory. */
    volatile boolean remembers = true;

    /** Where it keeps what it records. */
    final SimDisk disk = new SimDisk();

    /** What it was told to try. */
    final SimResponses.Done tried = new SimResponses.Done();

    /** Where its mail goes; nowhere when missing. */
    volatile Optional<SimResponses.Post> post = Optional.empty();

    /** Where its streams are played. */
    volatile int streamPort;

    volatile String zone = "WET0WEST,M3.5.0/1,M10.5.0";
    /** The IANA zone whose wall clock its pictures show. */
    volatile ZoneId clockZone = ZoneId.of("Atlantic/Faroe");

    /** Parameters of which this one recorder takes less than its make does, such as {@code Storage.MinimumDays}. */
    final Map<String, String> quirks = new java.util.concurrent.ConcurrentHashMap<>();

    /** Channels that use the schedules of another, by place. */
    final Map<String, String> sharing = new java.util.concurrent.ConcurrentHashMap<>();

    /** Schedules that were made here, by the token of the job's place that goes by them. */
    final Map<String, String> ownSchedules = new TreeMap<>();

    /** Schedules by which nobody goes, by their token. */
    final Map<String, SimSchedule> looseSchedules = new TreeMap<>();

    final AtomicInteger scheduleNumbers = new AtomicInteger();

    /** Groups of special days by their token. */
    final Map<String, SimDayGroup> dayGroups = new TreeMap<>();

    private static final Duration REST = Duration.ofSeconds(20);
    private volatile Instant lastCall = Instant.EPOCH;
    private volatile boolean unsaved;
    private Optional<Path> file = Optional.empty();

    SimRecorder(String name, SimModel model, String user, String password, List<String> tokens) {
        this.name = name;
        this.model = model;
        this.user = user;
        this.password = password;
        this.pause = model.pause();
        this.serial = "SN"
                + UUID.nameUUIDFromBytes(name.getBytes(StandardCharsets.UTF_8))
                        .toString()
                        .substring(24);
        for (int i = 0; i < tokens.size(); i++) {
            var place = "%02d".formatted(i + 1);
            channels.add(new SimChannel(model, place, tokens.get(i), "Camera " + (i + 1), name + "-cam-" + place));
        }
    }

    /** True for a call that finds it asleep; that call wakes it. */
    boolean sleeps() {
        var before = lastCall;
        lastCall = Instant.now();
        return model.sleeps() && before.plus(REST).isBefore(lastCall);
    }

    /** Where its streams begin, without a path of their own. */
    String streams() {
        return "rtsp://127.0.0.1:" + streamPort + "/" + name;
    }

    /** By how much its clock was ahead then. */
    Duration clockAhead(Instant at) {
        return clockPast.at(at, clockAhead);
    }

    void setClock(Duration ahead, Instant since) {
        var before = clockAhead;
        clockAhead = ahead;
        clockPast.changed(since, before, ahead);
    }

    ZonedDateTime localTime() {
        return SimTime.now().plus(clockAhead).atZone(clockZone);
    }

    SimChannel channel(String place) {
        return channels.stream()
                .filter(c -> c.place.equals(place))
                .findFirst()
                .orElseThrow(() -> new SimSoapFault("Sender", "InvalidArgVal", "NoEntity", "No channel " + place));
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
            zone = properties.getProperty("zone", zone);
            password = properties.getProperty("password", password);
            holds = Duration.parse(properties.getProperty("holds", holds.toString()));
            disk.bytes = Long.parseLong(properties.getProperty("disk", "0"));
            clockAhead = Duration.parse(properties.getProperty("clock", "PT0S"));
            Map<Instant, Duration> clocks = new TreeMap<>();
            for (var name : properties.stringPropertyNames()) {
                if (name.startsWith("clock-past.")) {
                    var since = Long.parseLong(name.substring("clock-past.".length()));
                    clocks.put(Instant.ofEpochSecond(since), Duration.parse(properties.getProperty(name)));
                }
            }
            clockPast.load(clocks);
            faults.set(properties.getProperty("fault", "NONE"), Duration.ZERO);
            SimDayGroup.load(properties).forEach(g -> dayGroups.put(g.token(), g));
            channels.forEach(c -> c.load(properties));
        }
    }

    /** Does what a write asks for, unless the recorder forgets, refuses, or restarts just then. */
    void change(Runnable act) {
        writes.incrementAndGet();
        if (faults.has(SimFault.REFUSES)) {
            throw new SimSoapFault("Receiver", "Action", "ConfigurationConflict", "The recorder takes no changes now");
        }
        restart = restart.map(SimRestart::oneLess);
        var now = restart.filter(r -> r.writes() == 0);
        boolean takes = now.map(SimRestart::takes).orElse(!faults.has(SimFault.FORGETS));
        if (takes) {
            act.run();
            save();
        }
        now.ifPresent(r -> {
            restart = Optional.empty();
            events.forgetAll();
            faults.add(SimFault.AWAY, r.away());
            throw new SimRestart.NowException();
        });
    }

    /** Changes one channel, which may stop recording for it, or all of them. */
    void change(SimChannel channel, Runnable act) {
        change(() -> {
            if (remembers) {
                channel.remembering(SimTime.now(), act);
            } else {
                act.run();
            }
        });
        pause.ifPresent(p -> {
            var now = SimTime.now();
            var until = now.plus(p.length());
            (p.ofAll() ? channels : List.of(channel)).forEach(c -> {
                c.silentUntil = until;
                if (remembers) {
                    c.lose(now, until);
                }
            });
        });
    }

    void restartAt(SimRestart when) {
        restart = Optional.of(when);
    }

    /** Has the state written to its file soon; one file for each of many small changes would cost more than they do. */
    void save() {
        unsaved = true;
    }

    synchronized void saveNow() {
        if (file.isEmpty() || !unsaved) {
            return;
        }
        unsaved = false;
        var properties = new Properties();
        properties.setProperty("clock", clockAhead.toString());
        clockPast
                .all()
                .forEach((since, ahead) ->
                        properties.setProperty("clock-past." + since.getEpochSecond(), ahead.toString()));
        properties.setProperty("zone", zone);
        properties.setProperty("holds", holds.toString());
        properties.setProperty("disk", Long.toString(disk.bytes));
        properties.setProperty("password", password);
        properties.setProperty("fault", faults.lasting());
        dayGroups.values().forEach(g -> g.save(properties));
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
