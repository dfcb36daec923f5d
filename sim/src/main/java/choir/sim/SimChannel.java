package choir.sim;

import java.time.Instant;
import java.time.LocalDateTime;
import java.util.BitSet;
import java.util.HexFormat;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Properties;
import java.util.TreeMap;

/** What one channel of a simulated recorder holds, at first as it left the factory. */
final class SimChannel {
    static final int WEEK = 7 * 24 * 60;
    static final int HALF_HOUR = 30;
    private static final int GUEST_SECONDS = 12;

    /** Where it stands, such as {@code 07}; what the recorder calls its other parts follows from it. */
    final String place;
    /** What the recorder calls its picture; any text. */
    final String token;

    private final SimModel model;
    String label;
    String deviceName;
    /** What its camera sees. */
    String scene = "hall";

    /** The parameters of its analytics modules and rules, such as {@code Storage.WhenFull}. */
    final Map<String, String> values = new TreeMap<>();

    final Map<String, BitSet> lanes = new LinkedHashMap<>();
    /** For each lane what it does on the days of a group: times of day, such as {@code 0-480 1200-1440}. */
    final Map<String, Map<String, String>> specialDays = new TreeMap<>();

    /** What it shows as each of its schedules instead of what it does. */
    java.util.Optional<String> oddSchedule = java.util.Optional.empty();

    boolean active = true;
    int before;
    int after;
    int frames;
    int retentionDays = 30;
    boolean motionNow;
    /** Those whom somebody has sent past, besides those who pass by themselves. */
    final java.util.List<SimLife.Passer> guests = new java.util.concurrent.CopyOnWriteArrayList<>();

    Instant silentUntil = Instant.EPOCH;
    /** What it was set to before. */
    private final SimPast<SimSettings> past = new SimPast<>();

    /** Footage that is gone, such as by a disk that failed. */
    final java.util.List<SimLife.Span> lost = new java.util.concurrent.CopyOnWriteArrayList<>();

    SimChannel(SimModel model, String place, String token, String label, String deviceName) {
        this.model = model;
        this.place = place;
        this.token = token;
        this.label = label;
        this.deviceName = deviceName;
        this.before = Integer.parseInt(model.before().factory());
        this.after = Integer.parseInt(model.after().factory());
        this.frames = Math.min(25, model.mostFrames());
        model.lanes().forEach(lane -> lanes.put(lane, new BitSet()));
        var always = new BitSet();
        always.set(0, WEEK);
        lanes.put(model.lanes().getFirst(), always);
        model.modules().forEach(p -> values.putAll(p.factory(model)));
        model.rules().forEach(p -> values.putAll(p.factory(model)));
    }

    /** What its encoder is set not to exceed, in bits a second, at 25 pictures a second. */
    int mostBits() {
        boolean small = values.entrySet().stream()
                .anyMatch(v -> v.getKey().endsWith(".Stream") && v.getValue().equals("Sub"));
        return small ? 512_000 : 4_096_000;
    }

    /** How a job of it and that job's schedule are called. */
    String laneToken(String lane) {
        return place + lane.charAt(0) + lane.length();
    }

    /** Somebody walks past now, so many metres away. */
    void guest(int metres) {
        var now = SimTime.now();
        guests.removeIf(g -> g.until().isBefore(now.minusSeconds(86_400)));
        guests.add(new SimLife.Passer(
                SimLife.Kind.WALKER, now, now.plusSeconds(GUEST_SECONDS), Math.clamp(metres, 3, 90), -70, true));
    }

    /** Whether the job of that lane records at this moment: in its minutes, for lanes that wait for events while one is on. */
    boolean records(String lane, LocalDateTime wall) {
        boolean due = lane.equals("continuous") || lane.equals("motion") && motionNow;
        return due && active && isDue(lane, wall) && !SimTime.now().isBefore(silentUntil);
    }

    private boolean isDue(String lane, LocalDateTime wall) {
        return SimSettings.of(this).isDue(model, lane, wall);
    }

    /** @param now what it is set to now */
    SimSettings at(Instant at, SimSettings now) {
        return past.at(at, now);
    }

    /** Does something to its settings that was taken back again then. */
    void rememberingOnly(Instant since, Instant until, Runnable act) {
        var before = SimSettings.of(this);
        act.run();
        var meanwhile = SimSettings.of(this);
        before.restore(this);
        past.changed(since, before, meanwhile);
        past.changed(until, meanwhile, before);
    }

    void lose(Instant from, Instant until) {
        lost.removeIf(l -> l.until().isBefore(SimTime.now().minus(java.time.Duration.ofDays(40))));
        lost.add(new SimLife.Span(from, until));
    }

    /** Does something to its settings, and remembers since when they are as they are then. */
    void remembering(Instant since, Runnable act) {
        var before = SimSettings.of(this);
        try {
            act.run();
        } finally {
            past.changed(since, before, SimSettings.of(this));
        }
    }

    /** Nothing records on that day, by whatever trigger. */
    void eraseDay(int day) {
        lanes.values().forEach(lane -> lane.clear(day * 1440, (day + 1) * 1440));
    }

    /** Takes a lane's minutes; the one that knows half hours rounds to them and takes them from its other lanes. */
    void schedule(String lane, BitSet minutes) {
        if (!model.halfHours()) {
            lanes.put(lane, minutes);
            return;
        }
        var rounded = new BitSet();
        for (int block = 0; block < WEEK; block += HALF_HOUR) {
            int held = minutes.get(block, block + HALF_HOUR).cardinality();
            rounded.set(block, block + HALF_HOUR, 2 * held > HALF_HOUR);
        }
        lanes.forEach((name, held) -> {
            if (!name.equals(lane)) {
                held.andNot(rounded);
            }
        });
        lanes.put(lane, rounded);
    }

    void save(Properties to) {
        var p = token + ".";
        to.setProperty(p + "label", label);
        to.setProperty(p + "device", deviceName);
        to.setProperty(p + "scene", scene);
        values.forEach((item, value) -> to.setProperty(p + "value." + item, value));
        lanes.forEach((lane, minutes) -> to.setProperty(p + "lane." + lane, hex(minutes)));
        specialDays.forEach((lane, groups) ->
                groups.forEach((group, times) -> to.setProperty(p + "special." + lane + "." + group, times)));
        to.setProperty(p + "active", Boolean.toString(active));
        to.setProperty(p + "before", Integer.toString(before));
        to.setProperty(p + "after", Integer.toString(after));
        to.setProperty(p + "frames", Integer.toString(frames));
        to.setProperty(p + "retention", Integer.toString(retentionDays));
        past.all().forEach((since, settings) -> settings.save(to, p + "past." + since.getEpochSecond() + "."));
        for (int i = 0; i < lost.size(); i++) {
            to.setProperty(
                    p + "lost." + i, lost.get(i).from() + "/" + lost.get(i).until());
        }
    }

    void load(Properties from) {
        var p = token + ".";
        if (!from.containsKey(p + "label")) {
            return;
        }
        label = from.getProperty(p + "label");
        deviceName = from.getProperty(p + "device");
        scene = from.getProperty(p + "scene", scene);
        values.replaceAll((item, value) -> from.getProperty(p + "value." + item, value));
        lanes.replaceAll((lane, minutes) -> bits(from.getProperty(p + "lane." + lane)));
        from.stringPropertyNames().stream()
                .filter(n -> n.startsWith(p + "special."))
                .forEach(n -> {
                    var parts = n.substring((p + "special.").length()).split("\\.", 2);
                    specialDays
                            .computeIfAbsent(parts[0], lane -> new LinkedHashMap<>())
                            .put(parts[1], from.getProperty(n));
                });
        active = Boolean.parseBoolean(from.getProperty(p + "active"));
        before = Integer.parseInt(from.getProperty(p + "before"));
        after = Integer.parseInt(from.getProperty(p + "after"));
        frames = Integer.parseInt(from.getProperty(p + "frames"));
        retentionDays = Integer.parseInt(from.getProperty(p + "retention"));
        Map<Instant, SimSettings> kept = new TreeMap<>();
        for (var name : from.stringPropertyNames()) {
            if (name.startsWith(p + "past.")) {
                var second = name.substring((p + "past.").length()).split("\\.", 2)[0];
                kept.computeIfAbsent(
                        Instant.ofEpochSecond(Long.parseLong(second)),
                        at -> SimSettings.load(from, p + "past." + second + "."));
            } else if (name.startsWith(p + "lost.")) {
                var both = from.getProperty(name).split("/", 2);
                lost.add(new SimLife.Span(Instant.parse(both[0]), Instant.parse(both[1])));
            }
        }
        past.load(kept);
    }

    private static String hex(BitSet minutes) {
        return HexFormat.of().formatHex(minutes.toByteArray());
    }

    private static BitSet bits(String hex) {
        return BitSet.valueOf(HexFormat.of().parseHex(hex));
    }
}
