package choir.sim;

import java.util.BitSet;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Properties;
import java.util.TreeMap;

/** What one channel of a simulated recorder holds, at first as it left the factory. */
final class SimChannel {
    static final int WEEK = 7 * 24 * 60;

    final String token;
    String label;
    String deviceName;
    boolean detection = true;
    int sensitivity;
    int minCount = 20;
    int onDelay = 500;
    int offDelay = 2000;
    BitSet cells = new BitSet();
    final Map<String, BitSet> lanes = new LinkedHashMap<>();
    /** Further parameters, such as {@code Storage.WhenFull}. */
    final Map<String, String> further = new TreeMap<>();

    boolean active = true;
    boolean masterSwitch = true;
    int before;
    int after = 10;
    int frames = 25;
    int retentionDays = 30;
    boolean motionNow;

    SimChannel(SimModel model, String token, String label, String deviceName) {
        this.token = token;
        this.label = label;
        this.deviceName = deviceName;
        this.sensitivity = model.factorySensitivity;
        this.before = model == SimModel.GANNET ? 3 : 5;
        // The one that marks ignored cells has none marked.
        cells.set(0, model == SimModel.PETREL ? 0 : model.columns * model.rows);
        model.lanes.forEach(lane -> lanes.put(lane, new BitSet()));
        lanes.get("continuous").set(0, WEEK);
        model.further()
                .forEach((module, items) ->
                        items.forEach((item, rule) -> further.put(module + "." + item, rule.getFirst())));
    }

    /** Nothing records on that day, by whatever trigger. */
    void eraseDay(int day) {
        lanes.values().forEach(lane -> lane.clear(day * 1440, (day + 1) * 1440));
    }

    void save(Properties to) {
        var p = token + ".";
        to.setProperty(p + "label", label);
        to.setProperty(p + "device", deviceName);
        to.setProperty(p + "detection", Boolean.toString(detection));
        to.setProperty(p + "sensitivity", Integer.toString(sensitivity));
        to.setProperty(p + "minCount", Integer.toString(minCount));
        to.setProperty(p + "onDelay", Integer.toString(onDelay));
        to.setProperty(p + "offDelay", Integer.toString(offDelay));
        to.setProperty(p + "cells", java.util.HexFormat.of().formatHex(cells.toByteArray()));
        lanes.forEach((lane, minutes) ->
                to.setProperty(p + "lane." + lane, java.util.HexFormat.of().formatHex(minutes.toByteArray())));
        further.forEach((item, value) -> to.setProperty(p + "further." + item, value));
        to.setProperty(p + "active", Boolean.toString(active));
        to.setProperty(p + "master", Boolean.toString(masterSwitch));
        to.setProperty(p + "before", Integer.toString(before));
        to.setProperty(p + "after", Integer.toString(after));
        to.setProperty(p + "frames", Integer.toString(frames));
        to.setProperty(p + "retention", Integer.toString(retentionDays));
    }

    void load(Properties from) {
        var p = token + ".";
        if (!from.containsKey(p + "label")) {
            return;
        }
        label = from.getProperty(p + "label");
        deviceName = from.getProperty(p + "device");
        detection = Boolean.parseBoolean(from.getProperty(p + "detection"));
        sensitivity = Integer.parseInt(from.getProperty(p + "sensitivity"));
        minCount = Integer.parseInt(from.getProperty(p + "minCount"));
        onDelay = Integer.parseInt(from.getProperty(p + "onDelay", "500"));
        offDelay = Integer.parseInt(from.getProperty(p + "offDelay", "2000"));
        cells = bits(from.getProperty(p + "cells"));
        lanes.replaceAll((lane, minutes) -> bits(from.getProperty(p + "lane." + lane)));
        further.replaceAll((item, value) -> from.getProperty(p + "further." + item, value));
        active = Boolean.parseBoolean(from.getProperty(p + "active"));
        masterSwitch = Boolean.parseBoolean(from.getProperty(p + "master"));
        before = Integer.parseInt(from.getProperty(p + "before"));
        after = Integer.parseInt(from.getProperty(p + "after"));
        frames = Integer.parseInt(from.getProperty(p + "frames"));
        retentionDays = Integer.parseInt(from.getProperty(p + "retention"));
    }

    private static BitSet bits(String hex) {
        return BitSet.valueOf(java.util.HexFormat.of().parseHex(hex));
    }
}
