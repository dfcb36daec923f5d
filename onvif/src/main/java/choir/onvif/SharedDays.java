package choir.onvif;

import choir.family.Family;
import choir.family.NativeConfig;
import choir.family.NativeValue;
import choir.link.ChannelWrite;
import choir.link.LinkException;
import choir.link.Written;
import choir.policy.Catalogue;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;

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
        var writer = new ChannelWriter(session, snapshot, family, write.channel());
        try {
            writer.write(write.values());
            return new Written.Whole();
        } catch (LinkException e) {
            return new Written.BrokenOff(writer.sent(), e);
        }
    }

    private NativeConfig expected(Snapshot snapshot, ChannelWrite write) {
        var held = held(snapshot, family, write.channel());
        var days = first.getOrDefault(write.channel(), Optional.empty());
        return written && days.isPresent() ? held.with(Map.of(Catalogue.SPECIAL_DAYS, days.get())) : held;
    }
}
