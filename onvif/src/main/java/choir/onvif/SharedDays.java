package choir.onvif;

import choir.family.Family;
import choir.family.NativeConfig;
import choir.family.NativeValue;
import choir.link.ChannelWrite;
import choir.link.LinkException;
import choir.link.Written;
import choir.policy.Catalogue;
import choir.policy.SettingKey;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import java.util.TreeSet;

/**
 * Writes channel after channel, each only while it holds what is expected. The dates of special days stand in groups that
 * channels share, so what was written to one may have moved them for the next; that is not somebody else's doing, and such
 * a channel is held against what it held when the conversation began.
 */
final class SharedDays {
    private final Family family;
    private final Map<String, Optional<NativeValue>> first;
    private boolean written;

    private SharedDays(Family family, Map<String, Optional<NativeValue>> first) {
        this.family = family;
        this.first = first;
    }

    static SharedDays of(Snapshot snapshot, Family family, List<ChannelWrite> writes) {
        Map<String, Optional<NativeValue>> first = new HashMap<>();
        for (var write : writes) {
            if (write.values().containsKey(Catalogue.SPECIAL_DAYS)) {
                first.put(
                        write.channel(), held(snapshot, family, write.channel()).get(Catalogue.SPECIAL_DAYS));
            }
        }
        return new SharedDays(family, first);
    }

    private static NativeConfig held(Snapshot snapshot, Family family, String channel) {
        return new ChannelReader(snapshot, channel, OnvifLink::schedule)
                .read(Optional.of(family))
                .config();
    }

    Written write(OnvifSession session, Snapshot snapshot, ChannelWrite write) {
        if (!write.isUnmoved(expected(snapshot, write))) {
            return new Written.Moved();
        }
        written |= write.values().containsKey(Catalogue.SPECIAL_DAYS);
        return send(session, snapshot, write.channel(), write.values(), Set.of());
    }

    private Written send(
            OnvifSession session,
            Snapshot snapshot,
            String channel,
            Map<SettingKey, NativeValue> values,
            Set<SettingKey> before) {
        var writer = new ChannelWriter(session, snapshot, family, channel);
        try {
            writer.write(values);
            return new Written.Whole();
        } catch (LinkException e) {
            Set<SettingKey> sent = new TreeSet<>(before);
            sent.addAll(writer.sent());
            return new Written.BrokenOff(sent, e);
        }
    }

    /**
     * After a connection was closed in the middle: what took effect is seen, and only what did not is sent. A channel that
     * holds anything else by now is left as it is.
     */
    Written rest(OnvifSession session, Snapshot snapshot, ChannelWrite write, Written.BrokenOff broken) {
        var held = held(snapshot, family, write.channel());
        Map<SettingKey, NativeValue> left = new TreeMap<>(write.values());
        left.entrySet().removeIf(e -> held.get(e.getKey()).equals(Optional.of(e.getValue())));
        boolean moved = left.keySet().stream()
                .anyMatch(key -> !held.get(key).equals(write.before().getOrDefault(key, Optional.empty())));
        return moved ? broken : send(session, snapshot, write.channel(), left, broken.sent());
    }

    private NativeConfig expected(Snapshot snapshot, ChannelWrite write) {
        var held = held(snapshot, family, write.channel());
        var days = first.getOrDefault(write.channel(), Optional.empty());
        return written && days.isPresent() ? held.with(Map.of(Catalogue.SPECIAL_DAYS, days.get())) : held;
    }
}
