package choir.link;

import choir.family.NativeConfig;
import java.time.Duration;
import java.util.List;
import java.util.Optional;

/**
 * What a recorder was read to hold.
 *
 * @param clockAhead how far the recorder's clock is ahead of ours, negative when it is behind; empty when it does not say
 *     what it shows
 * @param posixZone the zone rule as the device states it, such as {@code CET-1CEST,M3.5.0,M10.5.0/3}; may be empty
 * @param calls how many calls it took
 */
public record RecorderReading(
        Device device, Optional<Duration> clockAhead, String posixZone, List<Channel> channels, int calls) {
    public record Device(String manufacturer, String model, String firmware, String serial) {}

    /**
     * One camera.
     *
     * @param channel the recorder's own number or token for it
     * @param label the name of its picture
     * @param deviceName the name of the device that delivers it
     * @param notes what could not be understood, in words
     */
    public record Channel(String channel, String label, String deviceName, NativeConfig config, List<String> notes) {
        public Channel {
            notes = List.copyOf(notes);
        }
    }

    public RecorderReading {
        channels = List.copyOf(channels);
    }
}
