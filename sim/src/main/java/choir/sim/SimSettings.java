package choir.sim;

import java.time.LocalDateTime;
import java.util.BitSet;
import java.util.HexFormat;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Properties;
import java.util.TreeMap;

/**
 * What a channel was set to at some time, as far as it decides what is recorded.
 *
 * @param lanes for each trigger its minutes of the week
 * @param specialDays for each trigger, by group of dates, its times of such a day, such as {@code 0-480 1200-1440}
 */
record SimSettings(
        Map<String, String> values,
        Map<String, BitSet> lanes,
        Map<String, Map<String, String>> specialDays,
        boolean active,
        int before,
        int after) {
    static SimSettings of(SimChannel channel) {
        Map<String, BitSet> lanes = new LinkedHashMap<>();
        channel.lanes.forEach((lane, minutes) -> lanes.put(lane, (BitSet) minutes.clone()));
        return new SimSettings(
                Map.copyOf(channel.values),
                lanes,
                copy(channel.specialDays),
                channel.active,
                channel.before,
                channel.after);
    }

    /** Sets the channel to it again. */
    void restore(SimChannel channel) {
        channel.values.clear();
        channel.values.putAll(values);
        lanes.forEach((lane, minutes) -> channel.lanes.put(lane, (BitSet) minutes.clone()));
        channel.specialDays.clear();
        channel.specialDays.putAll(copy(specialDays));
        channel.active = active;
        channel.before = before;
        channel.after = after;
    }

    private static Map<String, Map<String, String>> copy(Map<String, Map<String, String>> days) {
        Map<String, Map<String, String>> copy = new LinkedHashMap<>();
        days.forEach((lane, groups) -> copy.put(lane, new LinkedHashMap<>(groups)));
        return copy;
    }

    /** Whether that minute is one of the lane's: by the week, or by the plan of the special day that it is. */
    boolean isDue(SimRecorder recorder, String lane, LocalDateTime wall) {
        for (var groups : specialDays.values()) {
            for (var token : groups.keySet()) {
                var group = recorder.dayGroups.get(token);
                if (group != null && group.includes(wall.toLocalDate())) {
                    return isWithin(
                            specialDays.getOrDefault(lane, Map.of()).getOrDefault(token, ""),
                            wall.getHour() * 60 + wall.getMinute());
                }
            }
        }
        return isDue(recorder.model, lane, wall);
    }

    private static boolean isWithin(String times, int minute) {
        for (var span : times.split(" ")) {
            var both = span.split("-", 2);
            if (both.length == 2 && minute >= Integer.parseInt(both[0]) && minute < Integer.parseInt(both[1])) {
                return true;
            }
        }
        return false;
    }

    /** Whether that minute of the week is one of the lane's. */
    boolean isDue(SimModel model, String lane, LocalDateTime wall) {
        int minute = (wall.getDayOfWeek().getValue() - 1) * 1440 + wall.getHour() * 60 + wall.getMinute();
        var minutes = lanes.get(lane);
        return minutes != null && (model.unscheduled() || minutes.get(minute));
    }

    void save(Properties to, String p) {
        values.forEach((item, value) -> to.setProperty(p + "value." + item, value));
        lanes.forEach((lane, minutes) ->
                to.setProperty(p + "lane." + lane, HexFormat.of().formatHex(minutes.toByteArray())));
        specialDays.forEach((lane, groups) ->
                groups.forEach((group, times) -> to.setProperty(p + "special." + lane + "." + group, times)));
        to.setProperty(p + "active", Boolean.toString(active));
        to.setProperty(p + "before", Integer.toString(before));
        to.setProperty(p + "after", Integer.toString(after));
    }

    static SimSettings load(Properties from, String p) {
        Map<String, String> values = new TreeMap<>();
        Map<String, BitSet> lanes = new LinkedHashMap<>();
        Map<String, Map<String, String>> specialDays = new TreeMap<>();
        for (var name : from.stringPropertyNames()) {
            if (name.startsWith(p + "value.")) {
                values.put(name.substring((p + "value.").length()), from.getProperty(name));
            } else if (name.startsWith(p + "lane.")) {
                lanes.put(
                        name.substring((p + "lane.").length()),
                        BitSet.valueOf(HexFormat.of().parseHex(from.getProperty(name))));
            }
            if (name.startsWith(p + "special.")) {
                var parts = name.substring((p + "special.").length()).split("\\.", 2);
                specialDays.computeIfAbsent(parts[0], lane -> new TreeMap<>()).put(parts[1], from.getProperty(name));
            }
        }
        return new SimSettings(
                values,
                lanes,
                specialDays,
                Boolean.parseBoolean(from.getProperty(p + "active")),
                Integer.parseInt(from.getProperty(p + "before")),
                Integer.parseInt(from.getProperty(p + "after")));
    }
}
