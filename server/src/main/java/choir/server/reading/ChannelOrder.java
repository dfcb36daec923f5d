package choir.server.reading;

import choir.link.RecorderReading.Channel;
import choir.server.fleet.StoredCamera;
import java.util.Collection;
import java.util.HashMap;
import java.util.Map;
import java.util.TreeMap;
import java.util.stream.Collectors;

/** Whether pictures stand on other channels than they did. */
final class ChannelOrder {
    /** What a picture is known by. */
    private record Picture(String label, String deviceName) {}

    private ChannelOrder() {}

    /**
     * Channels that have changed places among each other: label and device name of each are those of another, and no two
     * pictures of the recorder are called alike. A single new name is a new name.
     *
     * @return old channel to new; empty when nothing of that is seen
     */
    static Map<String, String> moved(Collection<StoredCamera> known, Collection<Channel> now) {
        Map<Picture, String> before = new HashMap<>();
        for (var camera : known) {
            if (before.put(picture(camera), camera.camera().channel()) != null) {
                return Map.of();
            }
        }
        Map<String, String> moved = new TreeMap<>();
        for (var channel : now) {
            var was = before.get(new Picture(channel.label(), channel.deviceName()));
            if (was != null && !was.equals(channel.channel()) && moved.put(was, channel.channel()) != null) {
                return Map.of();
            }
        }
        return moved.keySet().equals(Map.copyOf(moved).values().stream().collect(Collectors.toSet()))
                ? moved
                : Map.of();
    }

    private static Picture picture(StoredCamera camera) {
        return new Picture(camera.label(), camera.deviceName());
    }

    static String words(Map<String, String> moved) {
        return moved.entrySet().stream()
                .map(e -> e.getKey() + " is at " + e.getValue())
                .collect(Collectors.joining(", "));
    }
}
