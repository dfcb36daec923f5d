package choir.onvif;

import choir.family.NativeConfig;
import choir.family.NativeValue;
import choir.link.ChannelWrite;
import choir.link.LinkException;
import choir.link.RecorderAccess;
import choir.link.RecorderLink;
import choir.link.RecorderReading;
import choir.link.Written;
import choir.policy.SettingKey;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.Collectors;

/** Writing to a recorder that still holds what it holds. */
final class Writes {
    private Writes() {}

    static List<ChannelWrite> of(
            RecorderLink link, RecorderAccess access, Map<String, Map<SettingKey, NativeValue>> byChannel) {
        Map<String, NativeConfig> held = link.read(access).channels().stream()
                .collect(Collectors.toMap(RecorderReading.Channel::channel, RecorderReading.Channel::config));
        List<ChannelWrite> writes = new ArrayList<>();
        byChannel.forEach((channel, values) -> {
            Map<SettingKey, Optional<NativeValue>> before = new LinkedHashMap<>();
            values.keySet().forEach(key -> before.put(key, held.get(channel).get(key)));
            writes.add(new ChannelWrite(channel, before, values));
        });
        return writes;
    }

    /** @return why, for each channel that broke off */
    static Map<String, LinkException> to(
            RecorderLink link, RecorderAccess access, Map<String, Map<SettingKey, NativeValue>> byChannel) {
        Map<String, LinkException> failed = new LinkedHashMap<>();
        link.write(access, of(link, access, byChannel)).channels().forEach((channel, written) -> {
            switch (written) {
                case Written.Whole w -> {}
                case Written.Moved m -> throw new AssertionError(channel + " moved");
                case Written.BrokenOff(var sent, var why) -> failed.put(channel, why);
            }
        });
        return failed;
    }
}
